import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from '@playwright/test'
import { expectAccessible } from './axe'
import { startServer } from './server'
import { measure, openBench, openDesk, part, plantAndHandOut, signIn, signOut } from './story'

test('a killed server loses no acknowledged step, and work goes on where it stood', async ({ browser }) => {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-kill-'))
  let server = await startServer(4191, folder, true)
  const context = await browser.newContext({ baseURL: server.url })
  const page = await context.newPage()
  const complaint = 'It stays dark whatever I do.'
  await signIn(page, 'orla')
  await openBench(page)
  await plantAndHandOut(page, { part: 'L1', fault: /Burnt out/, complaint, student: 'Tam Pellow' })
  await signOut(page)
  await signIn(page, 'tam')
  await openDesk(page, complaint)
  await page.getByRole('button', { name: 'S1 closed' }).click()
  await expect(part(page, 'L1')).toContainText('dark')
  await measure(page, { red: 'L1f', black: 'L1g', predict: '12.2', clears: ['F1'], shows: /^12\.\d\d.V$/ })
  await server.kill()

  // Sent into the void: kept, said, and delivered once the server is back.
  await page.getByLabel('Red lead').fill('B1+')
  await page.getByLabel('Black lead').fill('B1-')
  await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill('12.6')
  await page.getByRole('button', { name: 'Measure' }).click()
  await expect(page.getByText('No connection: your step is saved')).toBeVisible()
  server = await startServer(4191, folder, true)
  await expect(page.getByTestId('display')).toHaveText(/^12\.6\d.V$/, { timeout: 60_000 })
  await page.reload()
  await expect(page.getByText('Operated S1 closed: L1 dark')).toBeVisible()
  await expect(page.getByRole('listitem').filter({ hasText: 'Reading 1' })).toContainText('L1f to L1g')
  await expect(page.getByRole('listitem').filter({ hasText: 'Reading 2' })).toHaveCount(1)
  await server.kill()
  await context.close()
  rmSync(folder, { recursive: true, force: true })
})

test('a first real start asks for an instructor, once, and an import says what is wrong with a file', async ({
  browser,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-new-'))
  const server = await startServer(4192, folder, false)
  const context = await browser.newContext({ baseURL: server.url })
  const page = await context.newPage()
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'Set up your school' })).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('Your name').fill('Wen Halloran')
  await page.getByLabel('Sign-in name').fill('wen')
  await page.getByLabel('Password').fill('short')
  await page.getByRole('button', { name: 'Create the account' }).click()
  await expect(page.getByRole('alert')).toContainText('at least 12 characters')
  await page.getByLabel('Password').fill('long enough now')
  await page.getByRole('button', { name: 'Create the account' }).click()
  const steps = page.getByRole('region', { name: 'First steps' })
  await expect(steps.getByRole('button', { name: 'Relay and motor, 24 V' })).toBeVisible()
  await expectAccessible(page)

  await page.getByRole('link', { name: 'Classes', exact: true }).click()
  await page.getByText('Students', { exact: true }).click()
  await page.getByRole('button', { name: 'Add student' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Bram Osk')
  await page.getByLabel('Sign-in name').fill('bram')
  await page.getByLabel('Password').fill('four grey river stones')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText('Bram Osk')).toBeVisible()

  await page.getByRole('link', { name: 'Circuits', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Circuits', exact: true })).toBeVisible()
  const good = readFileSync('demo/circuits/sweeper-work-lamp.json', 'utf8')
  const give = (name: string, text: string) =>
    page
      .locator('.choose-file input')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) })
  await give('broken.json', good.slice(0, 400))
  await expect(page.getByRole('alert')).toContainText('This is not JSON')
  await give('no-return.json', good.replace('"to": "B1.n"', '"to": "CH1.a"'))
  await expect(page.getByRole('dialog')).toContainText('L1 has no return')
  await page.getByRole('button', { name: 'Cancel' }).click()
  await give('hot.json', good.replace('"temperature": 20', '"temperature": 200'))
  await expect(page.getByRole('alert')).toContainText('temperature: Between −40 and 85 °C')
  await expect(page.getByText('No circuit yet.')).toBeVisible()
  await give('good.json', good.replace('Work lamp, street sweeper', 'Step light, utility van'))
  await page.getByRole('dialog').getByRole('button', { name: 'Import', exact: true }).click()
  await expect(page.getByRole('group', { name: 'Schematic: Step light, utility van' })).toBeVisible()

  // First steps lead on with what there is, copy a template of one's own trade, and go for good when somebody says so.
  await page.goto('/')
  await expect(steps.getByRole('link', { name: /Plant a fault in Step light/ })).toBeVisible()
  await steps.getByRole('button', { name: 'Relay and motor, 24 V' }).click()
  await expect(page.getByRole('group', { name: /^Schematic: Salt spinner/ })).toBeVisible()
  await page.goto('/')
  await steps.getByRole('button', { name: 'Hide' }).click()
  await expect(steps).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('heading', { name: 'To review', exact: true })).toBeVisible()
  await expect(steps).toHaveCount(0)

  // There is an instructor now: the page is closed for good.
  await signOut(page)
  await page.goto('/set-up')
  await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
  await server.kill()
  await context.close()
  rmSync(folder, { recursive: true, force: true })
})
