import { expect, test, type Page } from '@playwright/test'
import { expectAccessible } from './axe'
import { goToDesk, handOut } from './desk'
import { openBench, signIn } from './story'

/** Opens the map, reads what it says, and closes it. */
async function mapOf(page: Page): Promise<Record<string, string[]>> {
  await page.locator('body').press('?')
  const dialog = page.getByRole('dialog', { name: 'Keys' })
  await expect(dialog).toBeVisible()
  const groups = await dialog
    .getByRole('region')
    .evaluateAll((sections) =>
      sections.map((one) => [
        one.getAttribute('aria-label') ?? '',
        [...one.querySelectorAll('dt')].map((key) => key.textContent!.trim()),
      ]),
    )
  await page.keyboard.press('Escape')
  await expect(dialog).toBeHidden()
  return Object.fromEntries(groups) as Record<string, string[]>
}

test('? maps the keys of every place, from the table that acts', async ({ page }) => {
  await signIn(page, 'orla')
  for (const [address, title, key] of [
    ['/circuits', 'Circuits', '/'],
    ['/lessons', 'Lessons', '/'],
    ['/floor', 'Floor', '/'],
    ['/handbook', 'Handbook', '/'],
  ] as const) {
    await page.goto(address)
    await expect(page.locator('main')).not.toHaveText('')
    await expect.poll(async () => (await mapOf(page))[title], address).toContain(key)
    await page.locator('body').press(key)
    await expect(page.locator('input[type=search]:focus'), address).toBeVisible()
    // In a field a key is a letter.
    await page.keyboard.type('?')
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeHidden()
  }
  for (const address of ['/classes', '/days', '/ledger', '/account']) {
    await page.goto(address)
    await expect(page.locator('main')).not.toHaveText('')
    await expect.poll(async () => (await mapOf(page))['Everywhere'], address).toEqual(['?', 'Esc'])
  }
})

test('the keys of a circuit’s places do what the map says', async ({ page }) => {
  await signIn(page, 'orla')
  await openBench(page)
  const bench = await mapOf(page)
  expect(bench['Bench']).toContain('Ctrl Shift Z')
  expect(bench['Along the path']).toContain('Alt ← →')
  expect(bench['In a drawing']).toContain('Enter  Space')
  await page.locator('body').press('?')
  await expectAccessible(page)
  // Behind the map nothing is done.
  await page.keyboard.press('v')
  await page.keyboard.press('Escape')
  await expect(page.getByRole('checkbox', { name: 'volts' })).toBeChecked()
  await page.locator('body').press('p')
  await expect(page.locator('.chip:focus')).toBeVisible()
  await page.keyboard.press('End')
  const last = await page.locator('.chip').last().getAttribute('aria-label')
  await expect(page.locator('.chip:focus')).toHaveAttribute('aria-label', last!)
  await page.locator('body').press('f')
  await expect(page.getByLabel('Find a part')).toBeFocused()

  await page.getByRole('link', { name: 'Sheet', exact: true }).click()
  await expect(page.getByRole('heading', { name: /^Answer key/ })).toBeVisible()
  await page.locator('body').press('b')
  await expect(page.getByRole('heading', { name: /^Build sheet/ })).toBeVisible()
  await page.locator('body').press('k')
  await page.locator('body').press('f')
  await expect(page.getByLabel('Filter rows')).toBeFocused()

  await page.getByRole('link', { name: 'Show', exact: true }).click()
  await expect.poll(async () => Object.keys(await mapOf(page))).toContain('Show')
})

test('the Desk is worked without a pointer', async ({ page }) => {
  const order = await handOut({
    circuit: /Work lamp, street sweeper/,
    faults: [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 0.8 }],
    student: 'idris',
    complaint: 'Keys: the work lamp is weak.',
    frame: { mode: 'practice' },
  })
  await signIn(page, 'idris')
  await goToDesk(page, order)
  const map = await mapOf(page)
  expect(map['On a part of the drawing']).toEqual(['U', 'D', 'Ctrl Z'])
  expect(map['At the prediction']).toContain('Shift ↑ ↓')
  await page.locator('body').press('r')
  await expect(page.getByLabel('Red lead')).toBeFocused()
  await page.keyboard.type('X2a')
  await page.keyboard.press('Escape')
  await page.locator('body').press('b')
  await expect(page.getByLabel('Black lead')).toBeFocused()
  await page.keyboard.type('X2b')
  await page.keyboard.press('Escape')
  await page.locator('body').press('m')
  await expect(page.getByRole('textbox', { name: 'Prediction', exact: true })).toBeFocused()
  await page.keyboard.type('10 m')
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('display')).toHaveText(/\d/)
  // What the reading tells, on the drawing: everything above, then back.
  await page.locator('body').press('g')
  await page.locator('[data-part="X2"]').first().focus()
  await page.keyboard.press('u')
  await expect(page.locator('[data-part="F1"]').first()).toHaveClass(/struck/)
  await page.keyboard.press('Control+z')
  await expect(page.locator('[data-part="F1"]').first()).not.toHaveClass(/struck/)
  await page.locator('[data-part="X2"]').first().focus()
  await page.keyboard.press('Space')
  await expect(page.locator('[data-part="X2"]').first()).toHaveClass(/struck|ringed/)
  await page.locator('body').press('c')
  await expect(page.locator('.title:focus')).toHaveText('Conclude')
})
