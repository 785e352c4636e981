import { expect, test } from '@playwright/test'
import { choose, chosenIn } from './choose'
import { expectAccessible } from './axe'
import { openBench, openDesk, part, plantAndHandOut, setInDrawing, signIn, signOut } from './story'

test('a relay on two paths: drawn twice, changed in words, welded, and told on the Sheet with fuses and clamps', async ({
  page,
}) => {
  await signIn(page, 'orla')
  await page.goto('/circuits')
  await page
    .getByRole('link', { name: /Cooling fan by relay/ })
    .first()
    .click()
  await page.getByRole('heading', { name: /Bench: Cooling fan/ }).waitFor()
  await expect(page.locator('[data-part=K1]')).toHaveCount(2)
  await setInDrawing(page, 'S1', 'Set to closed')
  await expect(page.locator('[data-part=M1]')).toContainText('turns as it should')
  await expect(page.locator('[data-part=K1]').first()).toContainText('clicks and holds')

  await part(page, 'K1').first().press('Enter')
  const across = page.getByRole('combobox', { name: /^Across the coil/ })
  await choose(across, 'diode')
  await expect(page.getByText('saved')).toBeVisible()
  await page.reload()
  await part(page, 'K1').first().press('Enter')
  await expect(chosenIn(across)).toHaveAttribute('data-chosen', 'diode')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(chosenIn(across)).toHaveAttribute('data-chosen', 'resistor')

  await page.getByRole('button', { name: 'Zoom in' }).click()
  await page.getByRole('button', { name: 'Fit the drawing' }).click()
  await expectAccessible(page)

  await page.getByRole('link', { name: 'Plant', exact: true }).click()
  await choose(page.getByRole('combobox', { name: 'Place', exact: true }), 'K1')
  await page.getByRole('button', { name: /Contacts welded/ }).click()
  await expect(page.locator('[data-part=M1]')).toContainText('turns as it should')
  await page.getByRole('link', { name: 'Sheet', exact: true }).click()
  await page.getByRole('heading', { name: /Answer key/ }).waitFor()
  await choose(page.getByRole('combobox', { name: 'Readings' }), 'fuses')
  await expect(page.locator('td', { hasText: 'Millivolts across each fuse' })).toBeVisible()
})

test('a harness: a short between two circuits is planted with its other wire, and a clamp tells it', async ({
  page,
}) => {
  await signIn(page, 'orla')
  await page.goto('/circuits')
  await page
    .getByRole('link', { name: /Side harness/ })
    .first()
    .click()
  await page.getByRole('link', { name: 'Plant', exact: true }).click()
  await choose(page.getByRole('combobox', { name: 'Place', exact: true }), 'W3')
  await page.getByRole('button', { name: /Short between circuits/ }).click()
  await choose(page.getByRole('combobox', { name: 'With', exact: true }), 'W6.copper')
  await choose(page.getByRole('combobox', { name: 'State', exact: true }), { label: 'work light on' })
  await expect(page.locator('[data-part=L2]')).toContainText('bright')
  await page.getByRole('link', { name: 'Sheet', exact: true }).click()
  await choose(page.getByRole('combobox', { name: 'Readings' }), 'clamps')
  await expect(page.getByRole('row', { name: /H1a .*behind the cab/ })).toContainText('A')
})

test('a module: what a scan tool shows stands beside the readings, its condition is a line to type', async ({
  page,
}) => {
  await signIn(page, 'orla')
  await page.goto('/circuits')
  await page
    .getByRole('link', { name: /Brush motor by relay and module/ })
    .first()
    .click()
  await part(page, 'N1').first().press('Enter')
  const condition = page.getByLabel('Low side 1 on when')
  await condition.fill('ign and i9')
  await condition.press('Enter')
  await expect(page.getByRole('alert')).toContainText(/one of i1/)
  await condition.fill('ign and i1')
  await condition.press('Enter')
  // As many pins as the maker gave it; one that is wired stays.
  const pins = page.getByRole('group', { name: 'Pins' })
  const inputs = pins.getByLabel('Inputs')
  await inputs.fill('23')
  await inputs.press('Tab')
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await pins.getByLabel('Low-side drivers').fill('0')
  await pins.getByLabel('Low-side drivers').press('Tab')
  await expect(page.getByRole('alert')).toContainText('still needs low-side output 1')
  await expect(pins.getByLabel('Low-side drivers')).toHaveValue('2')
  await page.reload()
  await part(page, 'N1').first().press('Enter')
  await expect(inputs).toHaveValue('23')
  await page.getByRole('link', { name: 'Sheet', exact: true }).click()
  await choose(page.getByRole('combobox', { name: 'Readings' }), 'scans')
  await expect(page.getByRole('row', { name: /N1 .*Input 1/ }).first()).toBeVisible()
})

test('an intermittent: sound until the student moves it, and the step says that it was moved', async ({
  page,
}) => {
  const complaint = 'It goes out on rough ground, and comes back.'
  await signIn(page, 'orla')
  await openBench(page)
  await plantAndHandOut(page, { part: 'X1', fault: /Slack terminal/, complaint, student: 'Maeve Torrin' })
  await signOut(page)
  await signIn(page, 'maeve')
  await openDesk(page, complaint)
  await page.getByRole('button', { name: 'S1 closed' }).click()
  await expect(part(page, 'L1')).toContainText('bright')
  await choose(page.getByRole('combobox', { name: 'Wiggle', exact: true }), 'X1')
  await expect(part(page, 'L1')).toContainText('dark')
  await expect(page.getByText('Operated S1 closed, X1 wiggled: L1 dark')).toBeVisible()
})
