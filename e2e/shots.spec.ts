import { test } from '@playwright/test'
import { choose, press, takeInstrument } from './choose'
import { goToDesk, handOut, take } from './desk'
import { measure, openBench, openDesk, part, plantAndHandOut, signIn, signOut, toStep } from './story'

const folder = process.env.BRACHYON_SHOTS ?? 'docs/screenshots'

/** Not a check: draws the pictures of the README from the demo school. */
test('pictures of the main views', async ({ page, browser }) => {
  const shot = async (name: string) => {
    await page.mouse.move(2, 400)
    await page.waitForTimeout(400)
    await page.screenshot({ path: `${folder}/${name}.png` })
  }
  await page.goto('/sign-in')
  await shot('sign-in')
  // A trial run: it is known to work.
  if (process.env.BRACHYON_SMALL) return
  await signIn(page, 'orla')
  await page.goto('/handbook')
  await page.getByText('Worth reading now').waitFor()
  await shot('handbook-front')
  await page.goto('/handbook/fourDrops')
  await page.getByRole('checkbox', { name: 'with a fault planted' }).check()
  await shot('handbook')
  await page.goto('/circuits')
  // Each picture is drawn once it is in view.
  await page.locator('.picture svg').nth(8).waitFor()
  await shot('circuits')
  await openBench(page)
  await part(page, 'W4').press('Enter')
  await shot('bench')
  const complaint = 'The work lamp at the back is dim since the sweeper was washed.'
  await plantAndHandOut(page, {
    part: 'X2',
    fault: /Corroded/,
    severity: '3',
    complaint,
    student: 'Tam Pellow',
  })
  await toStep(page, 'Fault')
  await page.waitForTimeout(2000)
  await shot('plant')
  await toStep(page, 'Effect')
  await press(page.getByRole('radio', { name: 'Tests' }))
  await page.locator('.fooled').waitFor()
  await page.getByText(/faults tried/).waitFor({ state: 'hidden', timeout: 60_000 })
  await shot('what-sees')
  await page.getByRole('link', { name: 'Sheet', exact: true }).click()
  await page.getByRole('heading', { name: /Answer key/ }).waitFor()
  await shot('sheet')
  await signOut(page)
  await signIn(page, 'tam')
  await openDesk(page, complaint)
  await page.getByRole('button', { name: 'S1 closed' }).click()
  await measure(page, {
    red: 'L1a',
    black: 'B1-',
    predict: '12.3',
    clears: ['W1', 'F1', 'W2', 'S1', 'W3', 'X1', 'W4'],
    shows: /12\.\d\d/,
  })
  await page.getByLabel('Red lead').fill('X2a')
  await page.getByLabel('Black lead').fill('X2b')
  await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill('20 mV')
  await page.getByRole('button', { name: 'Measure' }).click()
  await page.getByRole('heading', { name: 'What does it tell you?' }).waitFor()
  await part(page, 'X2').press('Enter')
  await part(page, 'X2').press('Enter')
  await part(page, 'G1').press('Enter')
  await shot('desk')
  await page.getByRole('button', { name: 'Done' }).click()
  await choose(
    page.locator('form[aria-label=Conclusion]').getByRole('combobox', { name: 'Piece', exact: true }),
    'X2',
  )
  await choose(page.getByRole('combobox', { name: 'How it failed', exact: true }), 'corroded')
  await page
    .getByRole('form', { name: 'Conclusion' })
    .getByRole('button', { name: 'Conclude', exact: true })
    .click()
  await choose(
    page.getByRole('form', { name: 'Repair' }).getByRole('combobox', { name: 'How', exact: true }),
    'terminal',
  )
  await page.getByRole('form', { name: 'Repair' }).getByRole('button', { name: 'Repair' }).click()
  await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill('20 mV')
  await page.getByRole('button', { name: 'Measure' }).click()
  await page.getByRole('button', { name: 'Finish the work' }).waitFor()
  await page.getByRole('button', { name: 'Finish the work' }).click()
  await page.getByText('Finished. Your instructor').waitFor()
  await signOut(page)
  await signIn(page, 'orla')
  await shot('today')
  await page.getByRole('region', { name: 'To review' }).getByRole('link').nth(1).click()
  await page.getByRole('region', { name: 'Mark', exact: true }).waitFor({ timeout: 30_000 })
  await shot('review')
  await page.goto('/days')
  await page.getByRole('link', { name: /^Depot electricians, week 12/ }).click()
  await page.getByRole('table', { name: 'Who works where' }).waitFor()
  await shot('lab-day')
  await page.goto('/floor')
  await page.getByRole('listitem').first().waitFor()
  await page.waitForTimeout(1500)
  await shot('floor')
  await page.goto('/ledger')
  await page.getByRole('table', { name: 'Class and skills' }).waitFor()
  await shot('ledger')
  await page.goto('/drills?kind=predictFault')
  const asked = page.getByRole('region', { name: 'Question', exact: true })
  await asked.getByText('Higher', { exact: true }).click()
  await asked.getByRole('textbox').fill('12')
  await page.keyboard.press('Enter')
  await asked.getByRole('button', { name: 'Next question' }).waitFor()
  await shot('drills')
  await page.goto('/lessons')
  await page.getByRole('link', { name: 'Show', exact: true }).nth(2).click()
  await page.getByRole('button', { name: 'Ask', exact: true }).waitFor()
  await page.keyboard.press('c')
  for (let i = 0; i < 11; i++) await page.keyboard.press('Space')
  const context = await browser.newContext({ baseURL: 'http://127.0.0.1:4187' })
  for (const [who, says] of [
    ['tam', '12.4'],
    ['idris', '11.9'],
    ['maeve', '0'],
  ] as const) {
    const phone = await context.newPage()
    await signIn(phone, who)
    await phone.getByRole('textbox', { name: 'Volts' }).fill(says)
    await phone.getByRole('button', { name: 'Answer' }).click()
    await phone.getByText('Your answer').waitFor()
    await context.clearCookies()
  }
  await page.getByText('3 answers').waitFor()
  await page.keyboard.press('Space')
  await page.locator('.histogram').waitFor()
  await shot('show')
  await context.close()
  await page.goto('/rubric')
  await page.getByRole('region', { name: 'Mark', exact: true }).first().waitFor()
  await shot('rubric')
})

test('pictures of a practice, and of the Desk on a tablet', async ({ browser }) => {
  if (process.env.BRACHYON_SMALL) return
  const complaint = 'Flat after two days in the yard.'
  const id = await handOut({
    circuit: /^Key-off drain/,
    faults: [{ kind: 'drain', part: 'X1', segment: 'pin', severity: 0.5 }],
    student: 'maeve',
    complaint,
    frame: { mode: 'practice', hints: { where: 1, side: 2, test: 4 } },
  })
  for (const [name, viewport] of [
    ['desk-practice', { width: 1280, height: 800 }],
    ['desk-tablet', { width: 1024, height: 768 }],
  ] as const) {
    const context = await browser.newContext({ viewport, baseURL: 'http://127.0.0.1:4187' })
    const page = await context.newPage()
    await signIn(page, 'maeve')
    await goToDesk(page, id)
    if (name === 'desk-practice') {
      await choose(page.getByRole('combobox', { name: 'Key off for', exact: true }), '1800')
      await takeInstrument(page, 'clamp')
      await take(page, { round: 'H1a', predict: '30m', shows: /A$/, marks: [['ST1', 'Enter']] })
      await page.getByRole('button', { name: /^Where to look/ }).click()
      await page.getByText('Predictions:').first().waitFor()
    } else {
      await takeInstrument(page, 'clamp')
      await page.getByLabel('Jaws round').fill('W6')
      await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill('0')
      await page.getByRole('button', { name: 'Measure' }).click()
      await page.getByRole('heading', { name: 'What does it tell you?' }).waitFor()
    }
    await page.waitForTimeout(600)
    await page.screenshot({ path: `${folder}/${name}.png` })
    await context.close()
  }
})
