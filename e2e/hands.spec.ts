import { expect, test } from '@playwright/test'
import { choose, chooseSome, takeInstrument } from './choose'
import { conclude, freshStudent, goToDesk, handOut, repair, take, tells } from './desk'
import { part, signIn, toStep } from './story'

const base = 'http://127.0.0.1:4187'

test('a spare that is bad itself: chosen in Plant, measured in the hand, and said so in the review', async ({
  page,
  browser,
}, { retry }) => {
  const login = `spare${retry}`
  const student = await browser.newContext({ baseURL: base })
  const desk = await student.newPage()
  await freshStudent(desk, login)
  const complaint = `The fan never runs, ${login}.`

  await test.step('Plant: the relay’s coil is open, and so is the coil of the spare', async () => {
    await signIn(page, 'orla')
    await page.goto('/circuits')
    await page
      .getByRole('link', { name: /^Cooling fan by relay/ })
      .first()
      .click()
    await page.getByRole('link', { name: 'Plant', exact: true }).click()
    await choose(page.getByRole('combobox', { name: 'Place' }), 'K1')
    const kinds = page.getByRole('group', { name: 'How it fails' })
    await kinds
      .getByRole('button', { name: /^Open.*coil/i })
      .first()
      .click()
    await toStep(page, 'Hand out')
    await page.getByLabel('Complaint').fill(complaint)
    const hand = page.getByRole('region', { name: 'Hand out' })
    await hand.getByRole('button', { name: 'Keep these facts' }).click()
    await hand.locator('.field', { hasText: 'Bad spares' }).locator('.n-base-selection').click()
    await page
      .getByText(/^K1 fan relay, coil: open/)
      .last()
      .click()
    await page.keyboard.press('Escape')
    await chooseSome(hand.getByRole('combobox', { name: 'Students' }), [`Story ${login}`])
    await page.getByRole('button', { name: 'Hand out the work order' }).click()
    await expect(page.getByText(`Handed out to Story ${login}.`)).toBeVisible()
  })

  let id = ''
  await test.step('Desk: the spare changes nothing; in the hand both coils are open', async () => {
    await desk.goto('/')
    const link = desk.getByRole('listitem').filter({ hasText: complaint }).getByRole('link')
    id = (await link.getAttribute('href'))!.split('/').pop()!
    await goToDesk(desk, id)
    await desk.getByRole('button', { name: 'S1 closed' }).click()
    await expect(part(desk, 'M1').first()).toContainText(/stands still/)
    await desk.locator('.exchange .n-base-selection').click()
    await desk.getByText('K1 fan relay: spare from the box').click()
    await desk.keyboard.press('Escape')
    await expect(desk.getByRole('listitem').filter({ hasText: 'spare in place of K1' })).toBeVisible()
    await expect(part(desk, 'M1').first()).toContainText(/stands still/)
    await desk
      .getByRole('group', { name: 'Function' })
      .getByRole('button', { name: 'Ohms', exact: true })
      .click()
    await choose(desk.getByRole('combobox', { name: 'Held', exact: true }), 'hand')
    await desk.getByRole('checkbox', { name: /The spare from the box/ }).check()
    await take(desk, { red: 'K1.86', black: 'K1.85', predict: '90', shows: /680|67\d|68\d/ })
    await desk.getByRole('checkbox', { name: /The spare from the box/ }).uncheck()
    // The part itself is held once it is out.
    await desk.getByRole('button', { name: /^pull.* K1/i }).click()
    await take(desk, { red: 'K1.86', black: 'K1.85', predict: '90', shows: /Ω$/ })
    await conclude(desk, 'K1.coil', 'open')
    await desk.getByRole('button', { name: /^pull.* K1/i }).click()
    await repair(desk, 'K1.coil', 'replace')
    await desk.getByRole('button', { name: /^Finish/ }).click()
    await expect(desk.getByText(/^Finished\./)).toBeVisible()
  })

  await test.step('Review: the instructor sees the bad spare, and what is said of it', async () => {
    await page.goto(`/review/${id}`)
    await expect(page.getByText(/Bad spare in the box: K1 fan relay, coil: open/)).toBeVisible()
    await expect(page.getByText(/The spare for K1 was itself bad/).first()).toBeVisible()
  })
  await student.close()
})

test('pin by pin: three acts for each, glow and volts together, and a lamp that is left on glows', async ({
  page,
}, { retry }) => {
  const login = `pins${retry}`
  await freshStudent(page, login)
  const id = await handOut({
    circuit: /^Work lamp, street sweeper$/,
    faults: [{ kind: 'highResistance', part: 'W4', segment: 'copper', severity: 12 }],
    student: login,
    complaint: 'The work lamp hardly glows.',
  })
  await goToDesk(page, id)
  await page.getByRole('button', { name: 'S1 closed' }).click()
  await page.getByRole('button', { name: /^unplug.* L1/i }).click()
  await take(
    page,
    {
      device: 'lamps',
      function: 'Loaded probe',
      red: 'X1a',
      black: 'B1-',
      predict: '12.3',
      shows: /1[12]\.\d+/,
      says: /bright/,
    },
    false,
  )
  const red = page.getByLabel('Red lead')
  const walked: string[] = []
  for (const shows of [/1[12]\.\d+/, /[4-8]\.\d+/]) {
    // The marks stand and the lead goes on; the prediction; Enter.
    await expect(page.locator('.infer')).toBeFocused()
    await page.keyboard.press('ArrowDown')
    await expect(page.getByRole('textbox', { name: 'Prediction', exact: true })).toBeFocused()
    walked.push(await red.inputValue())
    await page.keyboard.type('12.3')
    await page.keyboard.press('Enter')
    await expect(page.getByTestId('display')).toHaveText(shows)
    await expect(page.getByRole('heading', { name: 'What does it tell you?' })).toBeVisible()
  }
  expect(walked).toEqual(['X1b', 'L1a'])
  await expect(page.getByRole('region', { name: 'Meter' })).toContainText(/dim|glows/)
  await tells(page)
  await page.getByRole('button', { name: 'Leave it connected' }).click()
  await expect(page.getByRole('button', { name: /Loaded probe L1a to B1/ })).toContainText(/V, (dim|glows)/)
})

test('look, pick in the plug face, and move one wire after the other', async ({ page }, { retry }) => {
  const login = `looks${retry}`
  await freshStudent(page, login)
  const id = await handOut({
    circuit: /^Cooling fan by relay, van$/,
    faults: [{ kind: 'open', part: 'W6', segment: 'copper', moving: true }],
    student: login,
    complaint: 'The fan stops on rough roads.',
  })
  await goToDesk(page, id)
  await page.getByRole('button', { name: 'S1 closed' }).click()
  const fan = part(page, 'M1').first()
  await expect(fan).toContainText(/turns as it should/)
  const hand = page.getByRole('combobox', { name: 'Wiggle' })
  await choose(hand, 'W7')
  await expect(fan).toContainText(/turns as it should/)
  await choose(hand, 'W6')
  await expect(fan).toContainText(/stands still/)

  await takeInstrument(page, 'hand')
  await page.getByRole('button', { name: 'Look', exact: true }).first().click()
  await choose(page.getByRole('combobox', { name: 'At', exact: true }), 'W6')
  await page.locator('.asking').getByRole('button', { name: 'Look' }).click()
  await expect(page.getByTestId('display')).toHaveText('nothing to see')
  await tells(page)

  await takeInstrument(page, 'multimeter')
  await page.getByRole('button', { name: 'Pick in the plug face' }).click()
  const face = page.getByRole('group', { name: 'Plug face' })
  await expect(face.getByRole('radio', { name: 'Front' })).toBeDisabled()
  // From behind there are wires: one of this colour, and no number.
  await face.getByRole('button', { name: /^K1\/A \d\.\d, YE$/ }).click()
  await face.getByRole('button', { name: /^K1\/A \d\.\d, BU$/ }).click()
  await expect(page.getByLabel('Red lead')).toHaveValue(/^K1\/A \d\.\d$/)
  await expect(face.getByRole('button', { name: 'K1.86' })).toHaveCount(0)
  await page.keyboard.press('Escape')
  await page.locator('.asking input').fill('12.4')
  await page.getByRole('button', { name: 'Measure', exact: true }).click()
  await expect(page.getByTestId('display')).toHaveText(/\d\s?m?V$/)
  await tells(page)
  await expect(page.getByRole('region', { name: 'Your steps' })).toContainText(/K1\/A \d\.\d to K1\/A \d\.\d/)
  // From the front, once it is out, the numbers are there.
  await page.getByRole('button', { name: /^pull .*K1 /i }).click()
  await page.getByRole('button', { name: 'Pick in the plug face' }).click()
  await face.getByText('Front').click()
  await face.getByRole('button', { name: 'K1.85', exact: true }).click()
  await face.getByRole('button', { name: 'K1.86', exact: true }).click()
  await expect(page.getByLabel('Red lead')).toHaveValue(/^K1\.8[56]$/)
  await expect(page.getByLabel('Black lead')).toHaveValue(/^K1\.8[56]$/)
})
