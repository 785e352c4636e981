import { expect, test } from '@playwright/test'
import { expectAccessible } from './axe'
import { signIn } from './story'

test('the handbook: found by /, reckons what is typed as the trade writes it, and is open to students', async ({
  page,
}) => {
  await signIn(page, 'tam')
  await page.getByRole('link', { name: 'Handbook' }).click()
  await expect(page.getByRole('heading', { name: 'Handbook' })).toBeVisible()
  await page.keyboard.press('/')
  await expect(page.getByRole('searchbox', { name: 'Look up' })).toBeFocused()
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
  await page.getByRole('searchbox', { name: 'Look up' }).fill('55')
  await page.getByRole('link', { name: 'Lamps', exact: true }).click()
  await expect(page.getByRole('cell', { name: 'H1, H3, H7' })).toBeVisible()
  await page.getByRole('searchbox', { name: 'Look up' }).fill('carburettor')
  await expect(page.getByRole('status')).toContainText('Nothing of that')
  await expectAccessible(page)
})
