import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { choose, chosenIn, press } from './choose'
import { expectAccessible } from './axe'
import {
  measure,
  openBench,
  openDesk,
  part,
  plantAndHandOut,
  setInDrawing,
  signIn,
  signOut,
  toStep,
} from './story'

const complaint = 'The light at the back is weak since Tuesday.'

/** Everything that the server sends this page: addresses and bodies. */
function listen(page: Page): string[] {
  const heard: string[] = []
  page.on('response', async (response) => {
    if (!response.url().includes('/api/')) return
    heard.push(`${response.url()} ${await response.text().catch(() => '')}`)
  })
  return heard
}

test('the whole story: build, change, plant, print, hand out, diagnose, review', async ({
  page,
  browser,
}) => {
  const errors: string[] = []
  page.on('pageerror', (error) => errors.push(error.message))
  page.on('console', (message) => message.type() === 'error' && errors.push(message.text()))

  await page.goto('/sign-in')
  await expectAccessible(page)
  await signIn(page, 'orla')
  await expect(page.getByRole('heading', { name: 'To review', exact: true })).toBeVisible()
  await expectAccessible(page)

  await test.step('Bench: readings, states, linked highlights, change and undo', async () => {
    await openBench(page)
    const row = page.locator('tr[data-row="W3"]')
    const before = await row.locator('td').last().textContent()
    await row.hover()
    await expect(part(page, 'W3')).toHaveClass(/lit/)
    await part(page, 'X1').hover()
    await expect(page.locator('tr[data-row="X1"]')).toHaveClass(/lit/)
    // Over the staircase: its far right is the battery strap's end, its left the battery's.
    await expect(page.getByRole('img', { name: /^Losses: feed 2\d\d.mV/ })).toBeVisible()
    await press(page.getByRole('radio', { name: 'Staircase' }))
    const chart = (await page.getByRole('img', { name: /^Staircase/ }).boundingBox())!
    await page.mouse.move(chart.x + chart.width * 0.55, chart.y + chart.height * 0.5)
    await expect(page.locator('tr.lit')).not.toHaveCount(0)
    await expect(page.locator('.part.lit')).toHaveCount(1)
    await part(page, 'W3').click()
    const length = page
      .getByRole('region', { name: 'Values', exact: true })
      .getByRole('textbox', { name: 'Length' })
    await length.fill('8,4')
    await length.press('Enter')
    await expect(page.getByText(/fails: Feed loses/)).toBeVisible()
    await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible()
    // What is not being used is folded away: the table gives its place to the values, and takes it back.
    await expect(row).toHaveCount(0)
    await page.getByRole('button', { name: 'Back to the drops' }).click()
    await expect(row.locator('td').last()).not.toHaveText(before!)
    await page.reload()
    await expect(row.locator('td').last()).not.toHaveText(before!)
    await page.getByRole('button', { name: 'Undo' }).click()
    await expect(row.locator('td').last()).toHaveText(before!)
    await setInDrawing(page, 'S1', 'Set to open')
    await expect(part(page, 'L1')).toContainText('dark')
    await setInDrawing(page, 'S1', 'Set to closed')
    await expect(part(page, 'L1')).toContainText('bright')
    await setInDrawing(page, 'L1', 'Unplug')
    await expect(part(page, 'L1')).toContainText('unplugged')
    await choose(page.getByRole('combobox', { name: 'Named state' }), { label: 'Battery strap off' })
    await expect(part(page, 'ST1')).toContainText('lifted')
    await choose(page.getByRole('combobox', { name: 'Named state' }), { label: 'Switch closed' })
    await expectAccessible(page)
  })

  await test.step('Bench: a value out of range is refused with its range, and nothing changes', async () => {
    await part(page, 'L1').click()
    const values = page.getByRole('region', { name: 'Values', exact: true })
    const watts = values.getByRole('textbox', { name: 'Rated watts' })
    await watts.fill('9000')
    await watts.press('Enter')
    await expect(values.getByRole('alert')).toHaveText('Rated watts must lie between 0.5 and 150 W')
    await watts.fill('bright')
    await watts.press('Enter')
    await expect(values.getByRole('alert')).toContainText('is not a value in W')
    await watts.press('Escape')
    await expect(watts).toHaveValue('55')
  })

  await test.step('Plant: both staircases, differences, verdicts, work order', async () => {
    await plantAndHandOut(page, {
      part: 'G1',
      fault: /High resistance stud on chassis/,
      severity: '1R237',
      complaint,
      student: 'Idris Quill',
    })
    await expect(page.getByText('L1: bright →')).toBeVisible()
    await expect(page.getByText(/fails: Return loses/)).toBeVisible()
    await toStep(page, 'Effect')
    await press(page.getByRole('radio', { name: 'Drops' }))
    await expect(page.locator('tr[data-row="G1"].bad').first()).toContainText('stud on chassis')
    await toStep(page, 'Fault')
    await choose(page.getByRole('combobox', { name: 'Limits' }), {
      label: '3 % of the battery’s volts per side',
    })
    await expect(page.getByText(/fails: Return loses .* over 37\d.mV/)).toBeVisible()
    await expectAccessible(page)
  })

  await test.step('Sheet: healthy beside faulted, CSV with the same numbers', async () => {
    await page.getByRole('link', { name: 'Sheet', exact: true }).click()
    await expect(page.getByRole('heading', { name: 'Switch closed' })).toBeVisible()
    // One state with its figures, or all of them side by side.
    await choose(page.getByRole('combobox', { name: 'State', exact: true }), 'all')
    await expect(page.getByRole('columnheader', { name: 'Switch closed, lamp out' })).toBeVisible()
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Export …' }).click()
    await page.getByText('Readings, CSV').click()
    const csv = readFileSync(await (await download).path(), 'utf8')
    const line = csv.split('\r\n').find((l) => l.startsWith('Switch closed,drop,G1n to G1c'))!
    expect(Number(line.split(',')[6])).toBeGreaterThan(3)
    await expectAccessible(page)
    expect((await page.pdf()).byteLength).toBeGreaterThan(10_000)
  })

  const student = await browser.newContext()
  const desk = await student.newPage()
  const heard = listen(desk)

  await test.step('Desk: complaint, prediction before reading, striking out, conclusion', async () => {
    await signIn(desk, 'idris')
    await expectAccessible(desk)
    await openDesk(desk, complaint)
    await expect(desk.getByText(complaint)).toBeVisible()
    await desk.getByRole('button', { name: 'S1 closed' }).click()
    await expect(part(desk, 'L1')).toContainText('dim')

    // No prediction, no reading; a lead on nothing is said to be.
    await desk.getByRole('button', { name: 'Measure' }).click()
    await expect(desk.getByRole('alert')).toContainText('Both leads are on nothing')
    await desk.getByLabel('Red lead').fill('Q7')
    await desk.getByLabel('Black lead').fill('B1-')
    await desk.getByRole('button', { name: 'Measure' }).click()
    await expect(desk.getByRole('alert')).toContainText('Predict first')
    await desk.getByRole('textbox', { name: 'Prediction', exact: true }).fill('12')
    await desk.getByRole('button', { name: 'Measure' }).click()
    await expect(desk.getByRole('alert')).toContainText('There is no point “Q7” for the red lead')

    await measure(desk, {
      red: 'l1a',
      black: 'B1-',
      predict: '12.3',
      clears: ['W1', 'F1', 'W2', 'S1', 'W3', 'X1', 'W4'],
      shows: /^12\.\d\d.V$/,
    })
    // Leads by pointing in the drawing, the keyboard's way: G1n red, G1c black.
    await desk.getByLabel('Red lead').focus()
    await desk.getByRole('button', { name: /^G1n,/ }).press('Enter')
    await desk.getByRole('button', { name: /^G1c,/ }).press('Enter')
    await desk.getByRole('textbox', { name: 'Prediction', exact: true }).fill('4 mV')
    await desk.getByRole('button', { name: 'Measure' }).click()
    await expect(desk.getByTestId('display')).toHaveText(/^3\.\d+.V$|^4\.\d+.V$/)
    await expect(desk.getByRole('button', { name: 'Measure' })).toBeHidden()
    await part(desk, 'X2').click({ position: { x: 4, y: 4 }, force: true })
    for (const id of ['W5', 'W6', 'CH1', 'ST1', 'L1', 'B1']) await part(desk, id).press('Enter')
    for (let i = 0; i < 2; i++) await part(desk, 'G1').press('Enter')
    await expectAccessible(desk)

    await desk.reload()
    await expect(desk.getByText('ringed: G1')).toBeVisible()
    await expect(desk.getByTestId('display')).toHaveText(/V$/)
    await desk.getByLabel('Why, in a sentence').fill('All of the loss is under the nut.')
    await desk.getByRole('button', { name: 'Done' }).click()

    // Ohms on a live circuit give a number, and the meter says what it is worth.
    await desk.getByRole('button', { name: 'Ohms' }).click()
    await desk.getByRole('textbox', { name: 'Prediction', exact: true }).fill('OL')
    await desk.getByRole('button', { name: 'Measure' }).click()
    await expect(desk.getByText('live circuit: the number means nothing', { exact: true })).toBeVisible()
    await desk.getByRole('button', { name: 'Done' }).click()

    // Continuity with the strap off is allowed, and its weakness is for the review to say.
    await desk.getByRole('button', { name: 'lift ST1 battery strap' }).click()
    await desk.getByRole('button', { name: 'Continuity' }).click()
    await press(desk.getByRole('radio', { name: 'beep' }))
    await desk.getByRole('button', { name: 'Measure' }).click()
    await expect(desk.getByText('beeps', { exact: true })).toBeVisible()
    await desk.getByRole('button', { name: 'Done' }).click()

    const secrets = heard.join('\n')
    expect(secrets).toContain('L1a')
    for (const secret of ['highResistance', 'severity', '"foot"', '"faults":[', '1.237', 'segment'])
      expect(secrets).not.toContain(secret)

    const form = desk.getByRole('form', { name: 'Conclusion' })
    await choose(form.getByRole('combobox', { name: 'Piece', exact: true }), 'G1.foot')
    await choose(form.getByRole('combobox', { name: 'How it failed', exact: true }), 'highResistance')
    await form.getByRole('button', { name: 'Conclude' }).click()
    // After the conclusion comes the repair, and its proof by the test that had failed.
    const course = desk.getByRole('list', { name: 'Order of the work' })
    await expect(course.locator('[aria-current=step]')).toContainText('Repair')
    await expect(desk.getByRole('button', { name: 'Finish without proof' })).toBeVisible()
    const repair = desk.getByRole('form', { name: 'Repair' })
    await expect(chosenIn(repair.getByRole('combobox', { name: 'Piece' }))).toHaveAttribute(
      'data-chosen',
      'G1.foot',
    )
    await choose(repair.getByRole('combobox', { name: 'How', exact: true }), 'remake')
    await repair.getByRole('button', { name: 'Repair' }).click()
    await expect(desk.getByRole('listitem').filter({ hasText: 'clean and remake the joint' })).toBeVisible()
    await desk.getByRole('button', { name: 'lift ST1 battery strap' }).click()
    await expect(part(desk, 'L1')).toContainText('bright')
    await desk.getByRole('button', { name: 'Volts DC' }).click()
    await desk.getByLabel('Red lead').fill('G1n')
    await desk.getByLabel('Black lead').fill('G1c')
    await desk.getByRole('textbox', { name: 'Prediction', exact: true }).fill('5 m')
    await desk.getByRole('button', { name: 'Measure' }).click()
    await expect(desk.getByTestId('display')).toHaveText(/mV$/)
    await expectAccessible(desk)
    await desk.getByRole('button', { name: 'Finish the work' }).click()
    await expect(desk.getByText('Finished. Your instructor')).toBeVisible()
    await desk.reload()
    await expect(desk.getByText('Finished. Your instructor')).toBeVisible()
    expect(heard.join('\n')).not.toContain('severity')
  })

  await test.step('Review: every step with its verdict and reason, and the mark in parts', async () => {
    await page.getByRole('link', { name: 'Brachyon, today' }).click()
    // The newest stands first.
    await page
      .getByRole('table', { name: 'To review' })
      .getByRole('link', { name: 'Idris Quill' })
      .first()
      .click()
    await expect(page.getByRole('region', { name: 'Mark', exact: true })).toContainText('of 100')
    await expect(page.getByText('Planted: G1 hopper frame ground, stud on chassis: 1.24')).toBeVisible()
    await expect(page.getByText('Conclusion: proven')).toBeVisible()
    await expect(page.getByText('Inference: follows').first()).toBeVisible()
    await expect(page.getByText('“All of the loss is under the nut.”')).toBeVisible()
    await expect(page.getByText('Technique: Ohms on a live circuit')).toBeVisible()
    await page.getByRole('button', { name: /^Reading 2/ }).click()
    await page.getByRole('button', { name: 'What the evidence says' }).click()
    await expect(page.getByText(/The readings alone say G1\.foot, high resistance: between/)).toBeVisible()
    await expectAccessible(page)
    await page
      .getByRole('region', { name: 'Mark', exact: true })
      .getByRole('button', { name: /^Predictions/ })
      .click()
    await page.getByRole('button', { name: 'Change this mark' }).click()
    const own = page.getByRole('form', { name: 'A mark of your own' })
    await own.getByLabel('Points', { exact: true }).fill('15')
    await own.getByLabel('Why').fill('said it aloud before')
    await own.getByLabel('Why').press('Enter')
    await expect(page.getByRole('region', { name: 'Mark', exact: true })).toContainText('judge:')
    // It plays: the drawing follows step by step.
    await page.getByRole('button', { name: 'To the first step' }).click()
    await page.getByRole('button', { name: 'Play', exact: true }).click()
    await expect(page.getByText(/Step 2 of \d+/)).toBeVisible()
    await page.getByRole('button', { name: 'Pause' }).click()
    await page.getByRole('button', { name: 'Release to student' }).click()
    await expect(page.getByRole('button', { name: 'Withdraw release' })).toBeVisible()
  })

  await test.step('The student gets the review back', async () => {
    await desk.goto('/')
    await desk
      .getByRole('listitem')
      .filter({ hasText: complaint })
      .getByRole('link', { name: 'Your review' })
      .click()
    await expect(desk.getByText('Conclusion: proven')).toBeVisible()
    await expect(desk.getByText('Planted: G1 hopper frame ground')).toBeVisible()
    await expect(desk.getByRole('button', { name: 'Change this mark' })).toHaveCount(0)
    await expectAccessible(desk)
  })

  await test.step('How it is marked: a change is shown on an attempt before it is kept', async () => {
    await page.getByRole('link', { name: 'Brachyon, today' }).click()
    await page.getByRole('link', { name: 'How they are marked' }).click()
    const effect = page.getByRole('region', { name: 'Effect on an attempt' })
    await expect(effect.getByRole('region', { name: 'Mark', exact: true })).toContainText('of 100')
    await choose(effect.getByRole('combobox', { name: 'Attempt', exact: true }), { index: 1 })
    await page.getByLabel('Repair and proof').fill('30')
    await expect(effect.getByRole('region', { name: 'Mark', exact: true }).first()).toContainText('of 120')
    await expectAccessible(page)
    await page.getByRole('button', { name: /^Save as version/ }).click()
    await expect(
      page.getByText(/^Saved as version \d+. It marks what is handed out from now on/),
    ).toBeVisible()
  })

  await student.close()
  await signOut(page)
  expect(errors.filter((e) => !/40[19]|422/.test(e))).toEqual([])
})

test('a student cannot open the instructor’s places, nor a stranger any', async ({ page }) => {
  await page.goto('/bench/00000000-0000-4000-8000-000000000000')
  await expect(page).toHaveURL(/sign-in\?next=/)
  await signIn(page, 'tam')
  await page.goto('/review/00000000-0000-4000-8000-000000000000')
  await expect(page.getByRole('heading', { name: 'Your work orders' })).toBeVisible()
})
