import { expect, test } from '@playwright/test'
import { choose, chosenIn } from './choose'
import { expectAccessible } from './axe'
import { freshStudent, goToDesk, handOut } from './desk'
import { signIn } from './story'

test('the handbook: found by /, reckons what is typed as the trade writes it, and is open to students', async ({
  page,
}) => {
  await signIn(page, 'tam')
  await page.getByRole('link', { name: 'Handbook' }).click()
  await expect(page.getByRole('heading', { name: 'Handbook' })).toBeVisible()
  await page.keyboard.press('/')
  await expect(page.getByRole('searchbox', { name: 'Search' })).toBeFocused()
  await page.keyboard.type('drop wire')
  await page.keyboard.press('Enter')
  const entry = page.getByRole('article', { name: 'Drop of a wire' })
  const lost = entry.locator('dl .first .reading')
  await expect(lost).toHaveText(/159.mV/)
  await entry.getByRole('textbox', { name: 'Current' }).fill('184')
  await entry.getByRole('textbox', { name: 'Section' }).fill('35')
  await entry.getByRole('textbox', { name: 'Section' }).press('Enter')
  await expect(lost).toHaveText(/272.mV/)
  await entry.getByRole('textbox', { name: 'Section' }).fill('35 A')
  await entry.getByRole('textbox', { name: 'Section' }).press('Enter')
  await expect(entry.getByRole('alert')).toBeVisible()
  await expect(lost).toHaveText(/272.mV/)
  await expectAccessible(page)
  await page.getByRole('searchbox', { name: 'Search' }).fill('55')
  await page.getByRole('link', { name: 'Lamps', exact: true }).click()
  await expect(page.getByRole('cell', { name: 'H1, H3, H7' })).toBeVisible()
  await page.getByRole('searchbox', { name: 'Search' }).fill('carburettor')
  await expect(page.getByRole('status')).toContainText('Nothing found')
  await expectAccessible(page)
})

test('the handbook walks a procedure on a circuit, sound and faulted, and lets it be tried', async ({
  page,
}) => {
  await freshStudent(page, 'walker')
  await page.goto('/handbook/fourDrops')
  const entry = page.getByRole('article', { name: 'Voltage drop in four measurements' })
  await expect(entry.getByRole('status').last()).toContainText('ends with: sound')
  await entry.getByRole('checkbox', { name: 'with a fault planted' }).check()
  await expect(entry.getByText(/Planted: G1/)).toBeVisible()
  await expect(entry.getByRole('status').last()).toContainText('G1')
  await entry.getByRole('button', { name: 'Try it' }).click()
  await expect(entry.getByRole('group', { name: /^Schematic:/ })).toBeVisible()
  // Nothing of a student's own is touched, and no way leads to the instructor's bench.
  await expect(entry.getByRole('button', { name: 'Open on the Bench' })).toHaveCount(0)
  await expectAccessible(page)

  await page.goto('/handbook/limits')
  const table = page.getByRole('region', { name: 'Limits side by side' })
  await expect(table).toBeVisible()
  await expect(table.getByRole('row')).toHaveCount(9)
  await expect(table.getByText('default here')).toHaveCount(1)
  await expect(table.getByRole('cell', { name: 'fail' }).first()).toBeVisible()
  await expectAccessible(page)

  await page.goto('/handbook/rule-zeroIsNotPerfect')
  await expect(page.getByRole('region', { name: 'Example' })).toContainText('12.62 V')
  await page.getByRole('article').getByRole('link', { name: 'An open, by loaded lamp' }).click()
  await expect(page.getByRole('heading', { name: /An open/ })).toBeVisible()
})

test('from the handbook onto the bench, in the state in question; and from a part into the handbook', async ({
  page,
}) => {
  await signIn(page, 'orla')
  await page.goto('/handbook/noCrank')
  await page.getByRole('button', { name: 'Try it' }).click()
  await page.getByRole('button', { name: 'Open on the Bench' }).click()
  await expect(page).toHaveURL(/\/bench\/.*state=crank/)
  await expect(chosenIn(page.getByRole('combobox', { name: 'Named state' }))).toHaveAttribute(
    'data-chosen',
    'crank',
  )
  await page.locator('[data-part="F1"]').first().click()
  await page
    .getByRole('region', { name: 'Values of F1' })
    .getByRole('link', { name: /Fuse millivolts/ })
    .click()
  await expect(page.getByRole('heading', { name: 'Fuse millivolts to amps' })).toBeVisible()
})

test('a lesson puts the steps of a procedure beside the work, and none of its answers', async ({ page }) => {
  const id = await handOut({
    circuit: /Washer pump/,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.8 }],
    student: 'tam',
    complaint: 'The washer is weak, by the book.',
    frame: { procedure: 'fourDrops' },
  })
  await signIn(page, 'tam')
  await goToDesk(page, id)
  const steps = page.locator('.procedure')
  await steps.getByText('Voltage drop in four measurements').click()
  await expect(steps).toContainText('Red on the battery’s positive post, black on its negative post')
  await expect(steps).toContainText('More than the limit of the return')
  // What this board reads is for the student to find.
  expect(await steps.innerText()).not.toMatch(/12\.57|10\.12|2\.3\d V/)
  await expectAccessible(page)
})

test('what a circuit reads stays closed to a student who has a test on it in hand', async ({ page }) => {
  await freshStudent(page, 'tested')
  await page.goto('/handbook/limits')
  await expect(page.getByRole('region', { name: 'Limits side by side' })).toBeVisible()
  const order = await handOut({
    circuit: /Washer pump/,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.4 }],
    student: 'tested',
    complaint: 'The washer is weak.',
    frame: { mode: 'test' },
  })
  await page.reload()
  await expect(page.getByRole('article').getByRole('status')).toContainText('hidden until')
  await expect(page.getByRole('region', { name: 'Limits side by side' })).toHaveCount(0)
  await expect(page.getByRole('region', { name: 'Try it' })).toHaveCount(0)
  // Another circuit is open, and what procedures say without numbers.
  await choose(page.getByRole('combobox', { name: 'Circuit' }), { label: 'Work lamp, street sweeper' })
  await expect(page.getByRole('region', { name: 'Limits side by side' })).toBeVisible()
  await page.goto('/handbook/fourDrops')
  await expect(page.getByRole('article').getByRole('listitem').first()).toBeVisible()
  // A practice closes nothing; the one who hands out sees all.
  await goToDesk(page, order)
  await page.context().clearCookies()
  await signIn(page, 'orla')
  await page.goto('/handbook/limits')
  await expect(page.getByRole('region', { name: 'Limits side by side' })).toBeVisible()
})
