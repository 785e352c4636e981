import { expect, test } from '@playwright/test'
import { choose, press, takeInstrument } from './choose'
import { expectAccessible } from './axe'
import { measure, openBench, openDesk, part, plantAndHandOut, signIn, signOut } from './story'

test('what is left connected is read past by another instrument; a fuse that a jumper blew is renewed', async ({
  page,
}) => {
  const complaint = 'It goes out over bumps, now and then.'
  await signIn(page, 'orla')
  await openBench(page)
  await plantAndHandOut(page, { part: 'X1', fault: /Slack terminal/, complaint, student: 'Maeve Torrin' })
  await signOut(page)
  await signIn(page, 'maeve')
  await openDesk(page, complaint)
  await page.getByRole('button', { name: 'S1 closed' }).click()
  await expect(part(page, 'L1')).toContainText('bright')

  // A load lamp stands in the fuse's place while a clamp reads what it lets through.
  await page.getByRole('button', { name: 'pull F1' }).click()
  await takeInstrument(page, 'lamps')
  await page.getByRole('button', { name: 'Load lamp' }).click()
  await choose(page.getByRole('combobox', { name: 'Held', exact: true }), 'inPlaceOf')
  await choose(page.getByRole('combobox', { name: 'At' }), 'F1')
  await page.getByRole('button', { name: 'Leave it connected' }).click()
  const chip = page.getByRole('button', { name: /^Remove: Load lamp.* in place of F1$/ })
  await expect(chip).toBeVisible()
  await takeInstrument(page, 'clamp')
  await page.getByLabel('Jaws round').fill('W4')
  await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill('2')
  await page.getByRole('button', { name: 'Measure' }).click()
  await expect(page.getByTestId('display')).toHaveText(/^[1-4]\.\d\d.A$/)
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Reading 1' })).toContainText('in place of F1')
  await expectAccessible(page)
  await chip.click()
  await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill('0')
  await page.getByRole('button', { name: 'Measure' }).click()
  await expect(page.getByTestId('display')).toHaveText(/^0.*A$/)
  await page.getByRole('button', { name: 'Done' }).click()
  await page.getByRole('button', { name: 'pull F1' }).click()
  await expect(part(page, 'L1')).toContainText('bright')

  // A jumper of 30 A past the lamp is a short: the fuse of 10 A goes, and stays gone until there is another.
  await takeInstrument(page, 'loads')
  await page.getByRole('button', { name: 'Fused jumper' }).click()
  await choose(page.getByRole('combobox', { name: 'Its fuse', exact: true }), '30')
  await page.getByLabel('Red lead').fill('L1a')
  await page.getByLabel('Black lead').fill('G1c')
  await press(page.getByRole('radio', { name: /holds/ }))
  await page.getByRole('button', { name: 'Measure' }).click()
  await page.getByRole('button', { name: 'Done' }).click()
  await page.getByRole('button', { name: 'S1 open' }).click()
  await page.getByRole('button', { name: 'S1 closed' }).click()
  await expect(part(page, 'L1')).toContainText('dark')
  await page.reload()
  await page.getByText('Replace a fuse').click()
  const renew = page.getByRole('form', { name: 'Replace a fuse' })
  await choose(renew.getByRole('combobox', { name: 'Fuse', exact: true }), 'F1')
  await renew.getByRole('button', { name: 'Fit a new fuse' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Replaced a fuse' })).toContainText('F1')
  await page.getByRole('button', { name: 'S1 open' }).click()
  await page.getByRole('button', { name: 'S1 closed' }).click()
  await expect(part(page, 'L1')).toContainText('bright')
  await takeInstrument(page, 'multimeter')
  await measure(page, { red: 'L1f', black: 'L1g', predict: '12.2', clears: [], shows: /^12\.\d\d.V$/ })
})
