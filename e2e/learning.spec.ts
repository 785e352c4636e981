import { expect, test, type Page } from '@playwright/test'
import { expectAccessible } from './axe'
import { choose, chooseSome } from './choose'
import { signIn, signOut } from './story'

const question = (page: Page) => page.getByRole('region', { name: 'Question', exact: true })

/** Answers whatever is asked, by the keyboard alone. */
async function answer(page: Page): Promise<void> {
  const asked = question(page)
  await expect(asked.getByRole('heading', { level: 2 })).toBeVisible()
  if (await asked.getByRole('textbox').count()) {
    const higher = asked.getByText('Higher', { exact: true })
    if (await higher.count()) await higher.click()
    await asked.getByRole('textbox').fill('12')
    await page.keyboard.press('Enter')
  } else {
    await asked.getByRole('heading', { level: 2 }).click()
    await page.keyboard.press('1')
  }
  await expect(asked.getByRole('button', { name: 'Next question' })).toBeFocused()
}

test('ten minutes of drills: asked, answered by keyboard, told at once, and what it says of a skill', async ({
  page,
}) => {
  await signIn(page, 'maeve')
  await page.getByRole('link', { name: 'Drills' }).click()
  await expect(page.getByRole('region', { name: 'Your skills' })).toContainText('not tried yet')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Start' }).click()
  await answer(page)
  await expectAccessible(page)
  await expect(page.getByText(/^1 of 10/)).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(question(page).getByRole('button', { name: 'Next question' })).toHaveCount(0)
  // A reload asks the same again: nothing is lost.
  const heading = await question(page).getByRole('heading', { level: 2 }).textContent()
  await page.reload()
  await page.getByRole('button', { name: 'Start' }).click()
  await expect(question(page).getByRole('heading', { level: 2 })).toHaveText(heading!)
  await answer(page)
  await page.getByRole('button', { name: 'End' }).click()
  await expect(page.getByRole('region', { name: 'Your skills' })).toContainText('%')
})

test('a drill is set for a class, and its students find it under Today', async ({ page }) => {
  await signIn(page, 'orla')
  const { id } = (await (
    await page.request.post('/api/classes', { data: { name: 'Drop group', term: '2026' } })
  ).json()) as { id: string }
  const students = (await (await page.request.get('/api/students')).json()) as { id: string; login: string }[]
  await page.request.post(`/api/classes/${id}/members`, {
    data: { student: students.find(({ login }) => login === 'maeve')!.id },
  })
  await page.goto('/drills')
  await page.getByText('For classes').click()
  const form = page.getByRole('region', { name: 'Set a drill' })
  await form.getByRole('button', { name: 'Set it' }).click()
  await expect(form.getByRole('alert').first()).toBeVisible()
  await choose(form.getByRole('combobox', { name: 'Class' }), { label: 'Drop group' })
  await chooseSome(form.getByRole('combobox', { name: 'Kinds of question' }), [
    'Within limits?',
    'Feed, load or return',
  ])
  await form.getByLabel('Name').fill('Drops under load')
  await expectAccessible(page)
  await form.getByRole('button', { name: 'Set it' }).click()
  await expect(
    page.getByRole('button', { name: /Drops under load, Drop group.* 0 of 1 have done it/ }),
  ).toBeVisible()
  await signOut(page)
  await signIn(page, 'maeve')
  await page.getByRole('link', { name: 'Drops under load' }).click()
  await answer(page)
  await page.getByRole('button', { name: 'End' }).click()
  await expect(page.getByRole('region', { name: 'Set for you' })).toContainText('1 of 20 done')
})

test('the sets of a lesson say how hard they are, and an examination is set of those that are alike', async ({
  page,
}) => {
  await signIn(page, 'orla')
  await page.goto('/lessons')
  await page.getByRole('button', { name: '1 First drops: a dim work lamp', exact: true }).click()
  const panel = page.getByRole('dialog')
  await expect(panel.getByText(/bits of doubt/).first()).toBeVisible({ timeout: 60_000 })
  await expect(panel.getByText(/^(easy|fair|hard|very hard)$/).first()).toBeVisible()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'Examinations' }).click()
  await choose(page.getByRole('combobox', { name: 'Lesson' }), {
    label: '1 First drops: a dim work lamp',
  })
  await page.getByLabel('Room').fill('Bay 2')
  await chooseSome(page.getByRole('combobox', { name: 'More time' }), ['Maeve Torrin'])
  await expectAccessible(page)
  await page.getByRole('button', { name: /^Set for \d+ students$/ }).click()
  await expect(page.getByText('The examination is set')).toBeVisible({ timeout: 60_000 })
  await page.getByRole('link', { name: '1 First drops: a dim work lamp' }).click()
  const table = page.getByRole('table', { name: 'Students' })
  await expect(table.getByRole('row').filter({ hasText: 'Maeve Torrin' })).toContainText('15 min')
  await expect(page.getByRole('table', { name: 'Item analysis' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Delete the examination' }).click()
  await page.getByRole('button', { name: 'Delete the examination' }).last().click()
  await expect(page.getByText('No examination yet.', { exact: false })).toBeVisible()
})
