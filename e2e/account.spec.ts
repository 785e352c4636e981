import { expect, test } from '@playwright/test'
import { expectAccessible } from './axe'
import { signIn } from './story'

test('an account from its first password to its last: added, changed, reset, taken away', async ({
  page,
  browser,
}) => {
  await signIn(page, 'orla')
  await page.getByRole('link', { name: 'Orla Venning' }).click()
  await expectAccessible(page)
  await page.getByText('Accounts', { exact: true }).click()
  const form = page.getByRole('form', { name: 'Add an account' })
  await form.getByLabel('Name', { exact: true }).fill('Una Brack')
  await form.getByLabel('Sign-in name').fill('una')
  await form.getByLabel('First password').fill('password1234')
  await form.getByRole('button', { name: 'Add' }).click()
  await expect(page.getByRole('alert')).toContainText('easily guessed')
  await form.getByLabel('First password').fill('nine loose river stones')
  await form.getByRole('button', { name: 'Add' }).click()
  await expect(page.getByRole('cell', { name: 'Una Brack', exact: true })).toBeVisible()

  const other = await browser.newContext()
  const una = await other.newPage()
  const enter = async (password: string) => {
    await una.goto('/sign-in')
    await una.getByLabel('Sign-in name').fill('una')
    await una.getByLabel('Password').fill(password)
    await una.getByRole('button', { name: 'Sign in' }).click()
  }
  await enter('nine loose river stones')
  // Somebody else chose it: nothing else is open before it is changed.
  await expect(una.getByText('Someone else chose your password')).toBeVisible()
  await una.goto('/')
  await expect(una.getByText('Someone else chose your password')).toBeVisible()
  await una.getByLabel('Current password').fill('nine loose river stones')
  await una.getByLabel('New password').fill('eleven dry oak ledges')
  await una.getByRole('button', { name: 'Change password' }).click()
  await expect(una.getByRole('status').filter({ hasText: 'Changed.' })).toBeVisible()
  await una.goto('/')
  await expect(una.getByRole('heading', { name: 'Your work orders' })).toBeVisible()

  await page.getByRole('button', { name: 'New password for Una Brack' }).click()
  const told = await page.locator('.told code').textContent()
  expect(told).toMatch(/^([a-z]+-){4}\d\d$/)
  await una.reload()
  await expect(una.getByRole('button', { name: 'Sign in' })).toBeVisible()
  await enter(told!)
  await expect(una.getByText('Someone else chose your password')).toBeVisible()

  await page.getByText('Sign-in history').click()
  await expect(page.getByRole('cell', { name: 'signed in' }).first()).toBeVisible()
  await page.getByRole('button', { name: 'Delete Una Brack' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Delete', exact: true }).click()
  await expect(page.getByRole('cell', { name: 'Una Brack', exact: true })).toHaveCount(0)
  await una.reload()
  await expect(una.getByRole('button', { name: 'Sign in' })).toBeVisible()
  await other.close()
})
