import { expect, test, type Page } from '@playwright/test'
import { choose } from './choose'
import { expectAccessible } from './axe'
import { signIn } from './story'

/** Smallest letters on a page, in pixels as they are drawn. */
const smallest = (page: Page) =>
  page.evaluate(() => {
    let least = Infinity
    const walk = document.createTreeWalker(document.querySelector('main')!, NodeFilter.SHOW_TEXT)
    for (let node = walk.nextNode(); node; node = walk.nextNode()) {
      const parent = node.parentElement!
      const box = parent.getBoundingClientRect()
      if (!node.textContent?.trim() || box.width < 3 || box.height < 3) continue
      if (parent.closest('option, .visually-hidden')) continue
      const svg = parent.closest('svg')
      const scale = svg ? svg.getBoundingClientRect().width / svg.viewBox.baseVal.width : 1
      least = Math.min(least, Number.parseFloat(getComputedStyle(parent).fontSize) * scale)
    }
    return least
  })

test('a demonstration that the class answers from its own screens: dots, a quiz, which piece; kept with a lesson and replayed', async ({
  page,
  browser,
}) => {
  await page.setViewportSize({ width: 1920, height: 1080 })
  await signIn(page, 'orla')
  const lessons = (await (await page.request.get('/api/lessons')).json()) as { id: string; name: string }[]
  const lesson = lessons[0]!
  const phones: Page[] = []
  for (const login of ['tam', 'idris'] as const) {
    const context = await browser.newContext({ viewport: { width: 390, height: 780 } })
    const phone = await context.newPage()
    await signIn(phone, login)
    phones.push(phone)
  }
  const [tam, idris] = phones as [Page, Page]
  const asked = (phone: Page) => phone.getByRole('region', { name: 'Asked of the class' })
  const press = (key: string) => page.keyboard.press(key)
  const open = async () => {
    await page.goto(`/show/lesson/${lesson.id}`)
    await expect(page.getByRole('button', { name: 'Ask', exact: true })).toBeVisible()
  }

  await test.step('a point is asked for, answered on two screens, and shown without names', async () => {
    await page.goto('/lessons')
    await page.getByRole('link', { name: 'Show', exact: true }).first().click()
    await expect(page.getByRole('button', { name: 'Ask', exact: true })).toBeVisible()
    await open()
    await press('c')
    await press('Space')
    await expect(page.getByText('What does')).toBeVisible()
    await asked(tam).getByRole('textbox', { name: 'Volts' }).fill('12.6')
    await asked(tam).getByRole('button', { name: 'Answer' }).click()
    await expect(asked(tam)).toContainText('Your answer: 12.60')
    await asked(idris).getByRole('textbox', { name: 'Volts' }).fill('nothing')
    await asked(idris).getByRole('button', { name: 'Answer' }).click()
    await expect(asked(idris).getByRole('alert')).toContainText('such as 12.4')
    await asked(idris).getByRole('textbox', { name: 'Volts' }).fill('0')
    await asked(idris).getByRole('button', { name: 'Answer' }).click()
    await expect(page.getByText('2 answers', { exact: true })).toBeVisible()
    // Before it is shown the wall says how many, not what.
    await expect(page.locator('.histogram')).toHaveCount(0)
    // The leads stand where the question is, and the point that is asked for pulses.
    await expect(page.locator('.schematic .pulse')).toHaveCount(1)
    await expectAccessible(tam)
    await press('Space')
    await expect(page.getByRole('img', { name: '0 to 2 V: 1; 12 to 14 V: 1' })).toBeVisible()
    await expect(page.locator('.schematic .pulse')).toHaveCount(0)
    await expect(tam.getByText('The question is closed')).toBeVisible()
    await expect(page.locator('main')).not.toContainText(/Tam|Idris/)
    expect(await smallest(page)).toBeGreaterThanOrEqual(24)
    await expectAccessible(page)
  })

  await test.step('a phone of the same instructor is the remote', async () => {
    const context = await browser.newContext({
      viewport: { width: 390, height: 780 },
      storageState: await page.context().storageState(),
    })
    const remote = await context.newPage()
    await remote.goto('/remote')
    const wall = remote.getByRole('region', { name: 'On the wall' })
    await expect(wall).toBeVisible()
    // Another story may have a wall of the same instructor.
    const title = await page.getByRole('heading', { level: 1 }).innerText()
    const several = wall.getByRole('combobox', { name: 'Which wall' })
    if (await several.isVisible()) await choose(several, { label: title })
    await expect(wall).toContainText('reads')
    await expectAccessible(remote)
    await remote.getByRole('button', { name: 'Next' }).click()
    await expect(page.getByText('What does')).toBeVisible()
    await expect(wall).toContainText('What does')
    await remote.getByRole('button', { name: 'Healthy' }).click()
    await expect(page.getByRole('button', { name: 'Healthy' })).toHaveAttribute('aria-pressed', 'false')
    await remote.getByRole('button', { name: 'Back' }).click()
    await page.goto('/lessons')
    await expect(wall.getByText(title)).toHaveCount(0)
    await context.close()
    await open()
  })

  await test.step('steps are chosen: how bright, a question with known wrong answers, which piece; and kept', async () => {
    await page.getByRole('button', { name: 'Steps …' }).click()
    const steps = page.getByRole('region', { name: 'Steps of the demonstration' })
    await steps.getByRole('button', { name: 'Empty' }).click()
    const add = steps.getByRole('combobox', { name: 'Add a step' })
    await add.click()
    await page.locator('[data-value^="quiz|"]').first().click()
    await choose(add, 'piece|')
    await expectAccessible(page)
    await steps.getByRole('button', { name: 'Save with the lesson' }).click()
    await expect(steps.getByRole('status')).toContainText('Saved with')
  })

  await test.step('replayed: the quiz is answered with one tap, and says what who chose wrong believes', async () => {
    await open()
    await press('c')
    await press('Space')
    const choices = asked(tam).getByRole('button')
    await expect(choices).toHaveCount(4)
    await choices.nth(0).click()
    await asked(idris).getByRole('button').nth(1).click()
    await expect(page.getByText('2 answers', { exact: true })).toBeVisible()
    await press('Space')
    await expect(page.getByText('✓ right')).toBeVisible()
    expect(await smallest(page)).toBeGreaterThanOrEqual(24)
  })

  await test.step('which piece: chosen from all of them; no screen of a student has been told which it is', async () => {
    await press('Space')
    await expect(page.getByText('Which piece is at fault?')).toBeVisible()
    const piece = asked(tam).getByRole('combobox', { name: 'Piece' })
    await choose(piece, { index: 1 })
    const sent = await (await tam.request.get('/api/asked')).text()
    expect(sent).not.toMatch(/right|belief|severity|highResistance|"fault/)
    await expect(page.getByText('1 answer', { exact: true })).toBeVisible()
    await press('Space')
    await expect(page.getByText('✓ right').first()).toBeVisible()
    await expectAccessible(page)
  })

  await test.step('without a class it goes on by itself, and leaving closes what was open', async () => {
    await press('ArrowLeft')
    await expect(asked(tam)).toBeVisible()
    await page.goto('/')
    await expect(asked(tam)).toHaveCount(0)
  })
})
