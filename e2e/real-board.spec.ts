import { expect, test } from '@playwright/test'
import { choose, chooseSome } from './choose'
import { expectAccessible } from './axe'
import { conclude, goToDesk, handOut, tells } from './desk'
import { openBench, part, signIn, signOut, toStep } from './story'

const slow = { kind: 'highResistance', part: 'X2', segment: 'pin', severity: 1.5 } as const

test('a real board: what is seen is said, a slipped decimal is asked about, and the mark comes all the same', async ({
  page,
}) => {
  const id = await handOut({
    circuit: /^Work lamp, street/,
    faults: [slow],
    student: 'tam',
    complaint: 'The board by the window: its lamp is weak.',
    frame: { source: 'typed' },
  })
  await signIn(page, 'tam')
  await goToDesk(page, id)
  await page.getByRole('button', { name: 'S1 closed' }).click()
  const verify = page.locator('.verify')
  await choose(verify.getByRole('combobox'), 'dim')
  await page.getByRole('button', { name: 'As complained' }).click()
  await page.getByLabel('Red lead').fill('B1+')
  await page.getByLabel('Black lead').fill('B1-')
  await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill('12.5')
  await page.getByLabel('Your meter shows').fill('1.262')
  await page.getByRole('button', { name: 'Remove' }).click()
  const question = page.getByRole('alertdialog')
  await expect(question).toContainText('Is it 12.62')
  await expectAccessible(page)
  await question.getByRole('button', { name: 'Correct it' }).click()
  await page.getByLabel('Your meter shows').fill('12,62')
  await page.getByRole('button', { name: 'Remove' }).click()
  await tells(page)
  await expect(page.getByText('asked about 1.262, and put it right')).toBeVisible()
  await page.getByLabel('Red lead').fill('X2a')
  await page.getByLabel('Black lead').fill('X2b')
  await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill('10m')
  await page.getByLabel('Your meter shows').fill('4.1')
  await page.getByRole('button', { name: 'Remove' }).click()
  // Whether the board would show that or not: it is what the student read.
  const stands = page.getByRole('button', { name: 'It is correct' })
  await expect(stands.or(page.getByRole('heading', { name: 'What does it tell you?' }))).toBeVisible()
  if (await stands.isVisible()) await stands.click()
  await tells(page, [['W1', 'Enter']])
  await conclude(page, 'X2', 'highResistance')
})

test(
  'a connected meter: its reading by one key, a meter that is not there is said to be, typing goes on',
  { tag: '@sweep' },
  async ({ page }) => {
    await signIn(page, 'orla')
    await page.goto('/account?tab=meters')
    const meters = page.getByRole('region', { name: 'Meters' })
    await meters.getByRole('button', { name: 'Test connection' }).first().click()
    await expect(meters.getByRole('status')).toContainText('Brachyon,Stand-in meter')
    await meters.getByRole('button', { name: 'Add a meter …' }).click()
    await meters.getByLabel('Station').fill('Bench 9')
    await meters.getByLabel('Address').fill('example.com')
    await meters.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(meters.getByRole('alert')).toContainText('one of its network')
    await expectAccessible(page)
    await signOut(page)

    await signIn(page, 'idris')
    await page
      .getByRole('listitem')
      .filter({ hasText: 'bench 1, with its meter' })
      .getByRole('link')
      .first()
      .click()
    await page.getByRole('button', { name: 'S1 closed' }).click()
    await page.getByLabel('Red lead').fill('X1a')
    await page.getByLabel('Black lead').fill('X1b')
    await page.getByRole('button', { name: 'Read the meter' }).click()
    await expect(page.getByRole('alert')).toContainText('Predict first')
    await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill('10m')
    await page.getByRole('button', { name: 'Read the meter' }).click()
    await expect(page.getByTestId('display')).toHaveText(/^[3-6]\.\d+.V$/)
    // In a practice each step is told at once.
    await tells(page, [
      ['X1', 'Enter'],
      ['X1', 'Enter'],
    ])
    await expect(page.getByText(/^Predictions:/).first()).toBeVisible({ timeout: 30_000 })
  },
)

test('a practice on a touch screen: hints at their price, stretches, undo', async ({ browser }) => {
  const id = await handOut({
    circuit: /^Washer pump/,
    faults: [{ kind: 'highResistance', part: 'G1', segment: 'foot', severity: 2 }],
    student: 'maeve',
    complaint: 'Barely a dribble on the glass.',
    frame: { mode: 'practice', hints: { where: 1, side: 2, test: 4 } },
  })
  const context = await browser.newContext({
    viewport: { width: 1024, height: 768 },
    hasTouch: true,
    isMobile: true,
  })
  const page = await context.newPage()
  await signIn(page, 'maeve')
  await goToDesk(page, id)
  await page.getByRole('button', { name: 'Which side, 2 points' }).tap()
  await expect(page.getByRole('status').filter({ hasText: 'Which side:' })).toBeVisible()
  // Where points lie closer than a finger is wide, their names are offered.
  const choice = page.getByRole('group', { name: 'Which point?' })
  for (const name of ['F1ta', 'F1tb']) {
    const point = page.locator(`[data-point="${name}"]`)
    await point.tap()
    await choice.getByRole('button', { name, exact: true }).tap()
  }
  await expect(page.getByLabel('Red lead')).toHaveValue('F1ta')
  await expect(page.getByLabel('Black lead')).toHaveValue('F1tb')
  await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill('12.4')
  await page.getByRole('button', { name: 'Measure' }).tap()
  await expect(page.getByRole('heading', { name: 'What does it tell you?' })).toBeVisible()
  const left = page.getByRole('status').filter({ hasText: /pieces left/ })
  const before = await left.textContent()
  await part(page, 'F1').first().tap()
  await page.getByRole('button', { name: 'From F1 up' }).tap()
  await expect(left).not.toHaveText(before!)
  await page.getByRole('button', { name: 'Undo the last mark' }).tap()
  await page.getByRole('button', { name: 'Undo the last mark' }).tap()
  await expect(left).toHaveText(before!)
  await expectAccessible(page)
  const sideways = await page.evaluate(() => document.documentElement.scrollWidth)
  expect(sideways).toBeLessThanOrEqual(1024)
  for (const button of await page
    .getByRole('region', { name: 'Instrument and notes' })
    .getByRole('button')
    .all())
    expect((await button.boundingBox())?.height ?? 40).toBeGreaterThanOrEqual(24)
  await context.close()
})

test('a lead is carried along the path with one key, and the whole is worked without a mouse', async ({
  page,
}) => {
  const id = await handOut({
    circuit: /^Work lamp, street/,
    faults: [slow],
    student: 'idris',
    complaint: 'It glows, no more.',
  })
  await signIn(page, 'idris')
  await goToDesk(page, id)
  await page.getByRole('button', { name: 'S1 closed' }).press('Enter')
  const [red, black] = [page.getByLabel('Red lead'), page.getByLabel('Black lead')]
  await black.fill('B1-')
  await red.fill('L1a')
  const prediction = page.getByRole('textbox', { name: 'Prediction', exact: true })
  const readings: string[] = []
  await prediction.focus()
  for (const said of ['12.3', '12.3', '0.1']) {
    await page.keyboard.type(said)
    await page.keyboard.press('Enter')
    await expect(page.getByRole('heading', { name: 'What does it tell you?' })).toBeVisible()
    readings.push((await page.getByTestId('display').textContent())!)
    await page.getByRole('button', { name: 'Done' }).press('Enter')
    // One key for the next point, the prediction’s place ready.
    await prediction.focus()
    await page.keyboard.press('ArrowDown')
  }
  expect(new Set(readings).size).toBeGreaterThan(1)
  await expect(black).toHaveValue('B1−')
  await page.keyboard.press('Shift+ArrowUp')
  await expect(black).not.toHaveValue('B1−')
})

test(
  'an instructor works an order of their own, and learns no more than a student would',
  { tag: '@sweep' },
  async ({ page }) => {
    await signIn(page, 'orla')
    await openBench(page)
    await page.getByRole('link', { name: 'Plant', exact: true }).click()
    await choose(page.getByRole('combobox', { name: 'Place' }), 'X2')
    await page
      .getByRole('group', { name: 'How it fails' })
      .getByRole('button', { name: /High resistance/ })
      .click()
    await toStep(page, 'Hand out')
    await page.getByLabel('Complaint').fill('Tried out before the class has it.')
    await page.getByRole('button', { name: 'Keep these facts' }).click()
    await chooseSome(page.getByRole('combobox', { name: 'Students' }), [
      'yourself, to try it or at a real board',
    ])
    await page.getByRole('button', { name: /one fault/ }).click()
    await choose(page.getByRole('combobox', { name: 'Kind' }), 'practice')
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Hand out the work order' }).click()
    await expect(page.getByText('Handed out to Orla Venning.')).toBeVisible()
    await page.goto('/')
    const heard: string[] = []
    page.on('response', async (response) => {
      if (response.url().includes('/api/desk')) heard.push(await response.text().catch(() => ''))
    })
    await page
      .getByRole('listitem')
      .filter({ hasText: 'Tried out before' })
      .getByRole('link', { name: 'Your Desk' })
      .click()
    await expect(page.getByText('practice: feedback after each step')).toBeVisible()
    await page.getByRole('button', { name: 'S1 closed' }).click()
    await expect(part(page, 'L1')).toContainText(/dim|dark|dull/)
    expect(heard.join('')).toContain('L1')
    expect(heard.join('')).not.toContain('severity')
  },
)
