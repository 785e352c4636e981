import { expect, test } from '@playwright/test'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expectAccessible } from './axe'
import { startServer } from './server'
import { signIn } from './story'

test('the introduction: offered, gone through, closed, and back from ?', async ({ page }) => {
  await signIn(page, 'maeve')
  await page.getByRole('button', { name: 'Start introduction' }).click()
  const intro = page.getByRole('complementary', { name: 'Introduction' })
  await expect(intro).toContainText('1 of 5')
  await expectAccessible(page)
  await intro.getByRole('button', { name: 'Next' }).click()
  await expect(intro.getByRole('heading')).toHaveText('Verify the complaint')
  await intro.getByRole('button', { name: 'Close the introduction' }).click()
  await expect(intro).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('heading', { name: 'Your work orders' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Start introduction' })).toHaveCount(0)
  await page.keyboard.press('?')
  await page.getByRole('button', { name: 'Show introduction' }).click()
  await expect(intro).toContainText('1 of 5')
})

test('a school in the middle of its term, with a class at work', async ({ browser }) => {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-live-'))
  const server = await startServer(4192, folder, ['--demo', '--live'])
  const page = await (await browser.newContext({ baseURL: server.url })).newPage()
  await signIn(page, 'orla')
  const waiting = page.getByRole('table', { name: 'To review' })
  await expect(waiting.getByRole('row')).toHaveCount(7)
  await page.goto('/floor')
  const card = page.getByRole('listitem').filter({ hasText: 'Ansel Dray' }).filter({ hasText: 'at work' })
  const readings = await card.textContent()
  // A step comes by itself, without a reload.
  await expect(card).not.toHaveText(readings!, { timeout: 90_000 })
  await expectAccessible(page)
  // The calendar: what is planned stands on its day; a free day is taken for the new one; months go back and forth.
  await page.goto('/days')
  const calendar = page.locator('.calendar')
  const planned = calendar.getByRole('link').first()
  const name = await planned.textContent()
  const month = calendar.locator('.n-calendar-header__title')
  const now = await month.textContent()
  await calendar.getByRole('button', { name: 'Next month' }).click()
  await expect(month).not.toHaveText(now!)
  await calendar.getByText('15', { exact: true }).click()
  const day = page.getByRole('region', { name: 'New lab day' }).getByLabel('Day', { exact: true })
  await expect(day).toHaveValue(/15/)
  await calendar.getByRole('button', { name: 'Previous month' }).click()
  await expect(month).toHaveText(now!)
  await planned.click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText(name!)
  await page.context().close()
  await server.kill()
  rmSync(folder, { recursive: true, force: true })
})
