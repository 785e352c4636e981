import { expect, test, type Page } from '@playwright/test'
import { choose } from './choose'
import { expectAccessible } from './axe'
import { openBench, openDesk, part, plantAndHandOut, signIn, signOut, sizeField } from './story'

const pump = 'Washer pump, utility van'
const gritter = 'Beacon and spreader light, gritter'

test('two paths share a feed and a ground: each has its own staircase, and one bad ground shows on both', async ({
  page,
}) => {
  await signIn(page, 'orla')
  await openBench(page, pump)
  await expect(part(page, 'M1')).toContainText('turns as it should')
  await expect(part(page, 'D1')).toContainText('bright')
  await expect(page.locator('tr[data-row="M1"]')).toHaveCount(1)
  await choose(page.getByRole('combobox', { name: 'Path' }), { label: 'step light' })
  await expect(page.locator('tr[data-row="M1"]')).toHaveCount(0)
  await expect(page.locator('tr[data-row="D1"]')).toHaveCount(2)
  await expect(page.locator('tr[data-row="W2"]')).toHaveCount(1)

  await page.getByRole('link', { name: 'Plant', exact: true }).click()
  await choose(page.getByRole('combobox', { name: 'Place' }), 'G1')
  await page.getByRole('button', { name: /High resistance stud on chassis/ }).click()
  await expect(page.getByText('D1: bright → dim')).toBeVisible()
  await expect(page.getByText(/fails: Return loses/)).toBeVisible()
  await choose(page.getByRole('combobox', { name: 'Path' }), { label: 'step light' })
  await expect(page.getByText(/fails: Return loses/)).toBeVisible()

  // The slider and the field say the same, and the drawing follows while it moves.
  const slider = page.getByRole('slider', { name: 'Resistance slider' })
  await slider.focus()
  for (let i = 0; i < 40; i++) await slider.press('ArrowRight')
  const field = sizeField(page)
  await expect(field).not.toHaveValue('1')
  await field.fill('10 meg')
  await field.press('Enter')
  await expect(page.getByText('Resistance must lie between 0.01 and 10000 Ω')).toBeVisible()
  await field.fill('20')
  await field.press('Enter')
  await expect(part(page, 'M1')).toContainText(/crawls|hums/)
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Remove' }).click()
  await expect(page.getByRole('heading', { name: 'No fault planted' })).toBeVisible()
})

test('a seized motor: the student is told what there is to see, and nothing else', async ({ page }) => {
  const complaint = 'The washers hum but nothing comes out.'
  await signIn(page, 'orla')
  await openBench(page, pump)
  await plantAndHandOut(page, { part: 'M1', fault: /Seized/, complaint, student: 'Maeve Torrin' })
  await signOut(page)
  await signIn(page, 'maeve')
  await openDesk(page, complaint)
  await expect(part(page, 'M1')).not.toContainText('hums')
  await page.getByRole('button', { name: 'S1 closed' }).click()
  await expect(part(page, 'M1')).toContainText('hums')
  await page.getByRole('button', { name: 'unplug M1 washer pump' }).click()
  await expect(part(page, 'M1')).toContainText('unplugged')
  await expect(page.getByText('M1 unplugged')).toBeVisible()
})

test('the student needs no mouse', async ({ page }) => {
  const complaint = 'The beacon went out in the rain.'
  await signIn(page, 'orla')
  await openBench(page, gritter)
  await plantAndHandOut(page, { part: 'X1', fault: /^Open/, complaint, student: 'Tam Pellow' })
  await signOut(page)

  const press = async (...keys: string[]) => {
    for (const key of keys) await page.keyboard.press(key)
  }
  /** Tabs until the named thing has the focus, as a person would. */
  const tabTo = async (role: Parameters<Page['getByRole']>[0], name: string | RegExp) => {
    const target = page.getByRole(role, { name }).first()
    await expect(target).toBeVisible()
    for (let i = 0; i < 120; i++) {
      if (await target.evaluate((el) => el === document.activeElement)) return
      await press('Tab')
    }
    throw new Error(`the keyboard does not reach ${String(name)}`)
  }
  await page.getByLabel('Sign-in name').focus()
  await page.keyboard.type('tam')
  await press('Tab')
  await page.keyboard.type('sweeper-brush-3')
  await press('Enter')
  await expect(page.getByRole('heading', { name: 'Your work orders' })).toBeVisible()
  const link = page.getByRole('listitem').filter({ hasText: complaint }).getByRole('link')
  await link.focus()
  await press('Enter')
  await tabTo('button', 'S1 closed')
  await press('Enter')
  await expect(part(page, 'L1')).toContainText('dark')
  await tabTo('button', /^X1a,/)
  await press('Enter')
  await tabTo('button', /^X1b,/)
  await press('Space')
  await expect(page.getByLabel('Red lead')).toHaveValue('X1a')
  await expect(page.getByLabel('Black lead')).toHaveValue('X1b')
  await tabTo('textbox', 'Prediction')
  await page.keyboard.type('10 mV')
  await press('Enter')
  await expect(page.getByTestId('display')).toHaveText(/^25\.1\d.V$/)
  await part(page, 'X1').focus()
  await press('Enter', 'Enter')
  await expect(page.getByText('ringed: X1')).toBeVisible()
  await tabTo('button', 'Done')
  await press('Enter')
  await expect(page.getByRole('listitem').filter({ hasText: 'ringed X1' })).toBeVisible()
})

test('edits made without a connection are said to wait, and arrive', async ({ page, context }) => {
  await signIn(page, 'orla')
  await openBench(page)
  await part(page, 'F1').click()
  const rating = page
    .getByRole('region', { name: 'Values', exact: true })
    .getByRole('textbox', { name: 'Rating' })
  await context.setOffline(true)
  await rating.fill('15')
  await rating.press('Enter')
  await expect(page.getByText('not saved: no connection, trying again')).toBeVisible()
  await expect(part(page, 'F1')).toContainText('15 A')
  await context.setOffline(false)
  await expect(page.getByText('saved', { exact: true })).toBeVisible({ timeout: 15_000 })
  await page.reload()
  await expect(part(page, 'F1')).toContainText('15 A')
  await page.keyboard.press('Control+z')
  await expect(part(page, 'F1')).toContainText('10 A')
})

test('two instructors at one circuit: the later is told, and sees the newest', async ({ page, browser }) => {
  await signIn(page, 'orla')
  await openBench(page)
  const other = await (await browser.newContext()).newPage()
  await signIn(other, 'orla')
  // The same one: another story may have added a circuit of this name meanwhile.
  await other.goto(page.url())
  await expect(part(other, 'X2')).toBeVisible()
  const rename = async (who: Page, name: string) => {
    await part(who, 'X2').click()
    const field = who
      .getByRole('region', { name: 'Values', exact: true })
      .getByRole('textbox', { name: 'Name' })
    await field.fill(name)
    await field.press('Enter')
  }
  await rename(page, 'hopper plug')
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await rename(other, 'rear plug')
  await expect(other.getByRole('alert')).toContainText('was changed elsewhere meanwhile')
  await expect(part(other, 'X2')).toContainText('hopper plug')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(part(page, 'X2')).toContainText('return connector')
  await other.context().close()
})
