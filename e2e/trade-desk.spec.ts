import { expect, test } from '@playwright/test'
import { choose, takeInstrument } from './choose'
import { conclude, goToDesk, handOut, numberIn, repair, take } from './desk'
import { part, signIn } from './story'

/** What the trade does at a bench, told through the Desk (common practice, no source). */

test('a drain is found three ways that agree; a short is followed with a lamp for the fuse', async ({
  page,
}) => {
  await signIn(page, 'maeve')
  await test.step('by clamp, in series at the fuse, by the fuse’s millivolts', async () => {
    const id = await handOut({
      circuit: /^Key-off drain/,
      faults: [{ kind: 'drain', part: 'X1', segment: 'pin', severity: 0.5 }],
      student: 'maeve',
      complaint: 'Flat after two days in the yard.',
    })
    await goToDesk(page, id)
    await choose(page.getByRole('combobox', { name: 'Key off for', exact: true }), '1800')
    await takeInstrument(page, 'clamp')
    // The measuring place is in the drawing: one press puts the jaws round it.
    await page.getByRole('button', { name: /^Measuring place H1a/ }).press('Enter')
    await expect(page.getByLabel('Jaws round')).toHaveValue('H1a')
    const clamp = await take(page, { predict: '30m', shows: /A$/ })
    const branch = await take(page, { round: 'W6', predict: '0', shows: /A$/ })
    const series = await take(page, {
      device: 'multimeter',
      function: 'Amps in series',
      at: 'F3',
      predict: '0',
      shows: /A$/,
    })
    const fuse = {
      function: 'Millivolts across a fuse',
      at: 'F3',
      predict: '0',
      shows: /mV$/,
      says: /about [45]\d\d.mA/,
    }
    await take(page, fuse)
    const [all, one, cut] = [clamp, branch, series].map(numberIn) as [number, number, number]
    expect(Math.abs(all - one)).toBeLessThan(0.05)
    expect(Math.abs(one - cut)).toBeLessThan(0.03)
    await take(page, { at: 'F1', predict: '0', shows: /V$/ })
  })

  await test.step('the lamp limits the current; what is unplugged does not put it out; the clamp follows it', async () => {
    const id = await handOut({
      circuit: /^Side harness/,
      faults: [{ kind: 'shortToGround', part: 'W4', segment: 'copper', severity: 0.05 }],
      student: 'maeve',
      complaint: 'The work light’s fuse goes at once.',
    })
    await goToDesk(page, id)
    await page.getByRole('button', { name: 'S1 closed' }).click()
    await expect(part(page, 'L1')).toContainText('dark')
    const lamp = {
      device: 'lamps',
      function: 'Load lamp, 5 A',
      held: 'inPlaceOf',
      at: 'F1',
      word: 'dark',
      shows: /bright/,
    } as const
    await takeInstrument(page, 'lamps')
    await take(page, lamp)
    await page.getByRole('button', { name: /unplug L1/ }).click()
    await take(page, { word: 'dark', shows: /bright/, marks: [['L1', 'Enter']] })
    await page.getByRole('button', { name: 'Leave it connected' }).click()
    await takeInstrument(page, 'clamp')
    const before = await take(page, { round: 'W3', predict: '0', shows: /A$/ })
    const behind = await take(page, { round: 'W5', predict: '0', shows: /A$/ })
    expect(numberIn(before)).toBeGreaterThan(3)
    expect(Math.abs(numberIn(behind))).toBeLessThan(0.2)
  })
})

test('a no-crank ends at the nut on the stud; a charging loss is proved by a bypass', async ({ page }) => {
  await signIn(page, 'tam')
  await test.step('half of the feed’s loss, and then all of it, under one nut', async () => {
    const id = await handOut({
      circuit: /^Starting/,
      faults: [{ kind: 'highResistance', part: 'G9', segment: 'foot', severity: 0.018 }],
      student: 'tam',
      complaint: 'It turns over like treacle.',
    })
    await goToDesk(page, id)
    await page.getByRole('button', { name: 'SN1 park' }).click()
    await page.getByRole('button', { name: 'SK1 crank' }).click()
    await expect(part(page, 'MS1').first()).toContainText('slow')
    await page.getByRole('button', { name: 'As complained' }).click()
    await take(page, { red: 'B1+', black: 'B1-', predict: '10.5', shows: /^1[01]\.\d+.V$/ })
    await take(page, { red: 'B1p', black: 'MS1.31', predict: '10', shows: /V$/ })
    await take(page, { red: 'G9e', black: 'G9n', predict: '20m', shows: /mV$/ })
    await take(page, {
      red: 'G9n',
      black: 'G9c',
      predict: '20m',
      shows: /^[34]\.\d+.V$/,
      marks: [['G9', 'Enter']],
    })
    await conclude(page, 'G9.foot', 'highResistance')
    await repair(page, 'G9.foot', 'remake')
    await page.getByRole('button', { name: 'SK1 off' }).click()
    await page.getByRole('button', { name: 'SK1 crank' }).click()
    await expect(part(page, 'MS1').first()).toContainText('cranks')
    await page.getByLabel('Red lead').fill('G9n')
    await page.getByLabel('Black lead').fill('G9c')
    await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill('100m')
    await page.getByRole('button', { name: 'Measure' }).click()
    await expect(page.getByTestId('display')).toHaveText(/mV$/)
    await page.getByRole('button', { name: 'Finish the work' }).click()
    await expect(page.getByText('Finished. Your instructor')).toBeVisible()
  })

  await test.step('a fused jumper past the feed brings the battery’s volts up', async () => {
    const id = await handOut({
      circuit: /^Charging/,
      faults: [{ kind: 'highResistance', part: 'FL1', segment: 'link', severity: 0.5 }],
      student: 'tam',
      complaint: 'Battery never gets full.',
    })
    await goToDesk(page, id)
    await page.getByRole('button', { name: 'SK1 run' }).click()
    await choose(page.getByRole('combobox', { name: /^Engine/ }), 'running')
    const low = await take(page, { red: 'B1+', black: 'B1-', predict: '14.2', shows: /^1[23]\.\d+.V$/ })
    await takeInstrument(page, 'loads')
    await page.getByRole('group', { name: 'Function' }).getByRole('button', { name: 'Fused jumper' }).click()
    await choose(page.getByRole('combobox', { name: 'Its fuse', exact: true }), '30')
    await page.getByLabel('Red lead').fill('GA1.B+')
    await page.getByLabel('Black lead').fill('B1p')
    await page.getByRole('button', { name: 'Leave it connected' }).click()
    await takeInstrument(page, 'multimeter')
    const up = await take(page, { red: 'B1+', black: 'B1-', predict: '14.2', shows: /V$/ })
    expect(numberIn(up)).toBeGreaterThan(numberIn(low) + 0.4)
  })
})

test('a module’s ground is loaded pin by pin; a relay is told by four readings; a plug is wiggled with min and max', async ({
  page,
}) => {
  await signIn(page, 'idris')
  await test.step('unloaded it looks good; a lamp on the pin says otherwise', async () => {
    const id = await handOut({
      circuit: /^Module supplies/,
      faults: [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 4 }],
      student: 'idris',
      complaint: 'The sweep lamp comes and goes.',
    })
    await goToDesk(page, id)
    await page.getByRole('button', { name: /unplug N1/ }).click()
    // Unloaded the pin reads like ground.
    await take(page, { red: 'B1+', black: 'X2a', predict: '12.6', shows: /^12\.\d+.V$/ }).catch(async () => {
      await take(page, { red: 'B1+', black: 'N1.g1', predict: '12.6', shows: /^12\.\d+.V$/ })
    })
    await take(page, {
      device: 'lamps',
      function: 'Load lamp, 5 A',
      held: 'leads',
      red: 'B1+',
      black: 'N1.g1',
      word: 'bright',
      shows: /dim|dark|dull/,
    })
    await page.getByRole('button', { name: 'Leave it connected' }).click()
    // With a voltmeter across what the lamp returns through.
    await take(page, {
      device: 'multimeter',
      red: 'N1.g1',
      black: 'B1-',
      predict: '50m',
      shows: /^[5-9]\.\d+.V$/,
    })
    await take(page, { red: 'X2b', black: 'B1-', predict: '50m', shows: /mV$/, marks: [['X2', 'Enter']] })
  })

  await test.step('the coil has its volts, the contacts do not carry', async () => {
    const id = await handOut({
      circuit: /^Cooling fan by relay/,
      faults: [{ kind: 'burnt', part: 'K1', segment: 'make', severity: 5 }],
      student: 'idris',
      complaint: 'The fan stands still.',
    })
    await goToDesk(page, id)
    await page.getByRole('button', { name: 'S1 closed' }).click()
    await expect(part(page, 'K1').first()).toContainText('clicks')
    await take(page, {
      red: 'K1.86',
      black: 'K1.85',
      predict: '12.5',
      shows: /^12\.\d+.V$/,
      marks: [['F2', 'Enter']],
    })
    await take(page, { red: 'K1.30', black: 'B1-', predict: '12.5', shows: /^12\.\d+.V$/ })
    await take(page, { red: 'K1.87', black: 'B1-', predict: '12.4', shows: /V$/ })
    await take(page, { red: 'K1.30', black: 'K1.87', predict: '50m', shows: /^1[12]\.\d+.V$/ })
    // A relay is two pieces: its contact side is ringed alone.
    await page.getByRole('button', { name: /pull K1/ }).click()
    await take(page, { device: 'hand', function: 'Relay on 9 V', at: 'K1', word: 'clicks', shows: /clicks/ })
    // Worked by hand in the socket the load starts: the coil's half or the contacts, and not the wires behind them.
    await take(page, {
      device: 'hand',
      function: 'Relay by hand',
      held: 'inPlaceOf',
      at: 'K1',
      word: 'starts',
      shows: /starts/,
    })
    await expect(page.getByText('What it feeds starts whatever the key says')).toBeVisible()
    await conclude(page, 'K1.contacts', 'burnt')
  })

  await test.step('min and max while it is moved', async () => {
    const id = await handOut({
      circuit: /^Work lamp, street/,
      faults: [{ kind: 'slack', part: 'X1', segment: 'pin' }],
      student: 'idris',
      complaint: 'It flickers on rough ground.',
    })
    await goToDesk(page, id)
    await page.getByRole('button', { name: 'S1 closed' }).click()
    await choose(page.getByRole('combobox', { name: 'Wiggle', exact: true }), 'X1')
    await expect(part(page, 'L1')).toContainText('dark')
    await take(page, {
      set: { Record: 'minMax' },
      red: 'L1a',
      black: 'B1-',
      predict: '12.3',
      shows: /V$/,
      says: /min .*max 12\.\d+/,
    })
    await choose(page.getByRole('combobox', { name: 'Wiggle', exact: true }), '')
    await page.getByRole('button', { name: /unplug X1/ }).click()
    await take(page, { device: 'hand', function: 'Terminal drag', at: 'X1', word: 'firm', shows: /slack/ })
  })
})

test('two faults: the first is repaired, the complaint is not gone, the second is found', async ({
  page,
}) => {
  const id = await handOut({
    circuit: /^Work lamp, street/,
    faults: [
      { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 1 },
      { kind: 'highResistance', part: 'G1', segment: 'foot', severity: 1.5 },
    ],
    student: 'maeve',
    complaint: 'Weak, and weaker than last week.',
  })
  await signIn(page, 'maeve')
  await goToDesk(page, id)
  await page.getByRole('button', { name: 'S1 closed' }).click()
  await page.getByRole('button', { name: 'As complained' }).click()
  await take(page, { red: 'L1a', black: 'L1b', predict: '12.2', shows: /^[2-8]\.\d+.V$/ })
  await take(page, { red: 'X1a', black: 'X1b', predict: '10m', shows: /^[1-4]\.\d+.V$/ })
  await take(page, { red: 'G1n', black: 'G1c', predict: '5m', shows: /^[1-6]\.\d+.V$/, marks: [['W1', 'u']] })
  await conclude(page, 'X1', 'highResistance')
  await repair(page, 'X1', 'terminal')
  await page.getByRole('button', { name: 'S1 open' }).click()
  await page.getByRole('button', { name: 'S1 closed' }).click()
  await expect(part(page, 'L1')).toContainText('dim')
  await conclude(page, 'G1.foot', 'highResistance').catch(() => undefined)
  await repair(page, 'G1.foot', 'remake')
  await page.getByRole('button', { name: 'S1 open' }).click()
  await page.getByRole('button', { name: 'S1 closed' }).click()
  await expect(part(page, 'L1')).toContainText('bright')
  await page.getByLabel('Red lead').fill('G1n')
  await page.getByLabel('Black lead').fill('G1c')
  await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill('5m')
  await page.getByRole('button', { name: 'Measure' }).click()
  await expect(page.getByTestId('display')).toHaveText(/mV$/)
  await page.getByRole('button', { name: 'Finish the work' }).click()
  await expect(page.getByText('Finished. Your instructor')).toBeVisible()
})
