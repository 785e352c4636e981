import { expect, test } from '@playwright/test'
import { choose, press } from './choose'
import { readFileSync } from 'node:fs'
import { demoCircuit } from '../test/demo'
import { expectAccessible as audit } from './axe'
import { signIn } from './story'

test('the sheet: rows picked and pinned, its files, the fitted board, and the way back in', async ({
  page,
}) => {
  await signIn(page, 'orla')
  // On a circuit of its own: other stories use the demo's.
  const made = await page.request.post('/api/circuits', {
    data: { ...demoCircuit('van-washer-pump'), name: 'Pump of bench 3' },
  })
  const { id } = (await made.json()) as { id: string }
  const planted = await page.request.put(`/api/circuits/${id}/plant`, {
    data: {
      faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 0.8 }],
      state: 'wash',
      limits: '',
      complaint: 'The washer only dribbles',
    },
  })
  expect(planted.ok()).toBe(true)
  await page.goto(`/sheet/${id}`)
  // The state that was planted in is shown; its key is one press away.
  await expect(page.getByRole('heading', { name: /^wash|Washing/i })).toBeVisible()
  const [key] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Answer key PDF' }).click(),
  ])
  expect(
    readFileSync(await key.path())
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-')
  await page.getByLabel('Filter rows').fill('G1')
  await expect(page.getByRole('button', { name: 'F1a', exact: true })).toHaveCount(0)
  await page.getByRole('button', { name: 'Pin G1n' }).first().click()
  await page.getByLabel('Filter rows').fill('')
  await page.getByRole('checkbox', { name: /only pinned/ }).check()
  await expect(page.getByRole('button', { name: 'F1a', exact: true })).toHaveCount(0)
  await page.getByRole('button', { name: 'G1n', exact: true }).first().click()
  await expect(page.getByText('the meter shows').first()).toBeVisible()
  await page.getByRole('button', { name: 'Pin G1n' }).first().click()
  await expect(page.getByText('No row matches your search.').first()).toBeVisible()
  await page.getByRole('checkbox', { name: /only pinned/ }).uncheck()
  // A piece and a part by itself are pinned as a point is.
  await page.getByRole('button', { name: 'Pin F1 fuse link' }).first().click()
  await page
    .getByRole('button', { name: /^Pin W2 / })
    .last()
    .click()
  await page.getByRole('checkbox', { name: /only pinned \(2\)/ }).check()
  await expect(page.getByRole('row', { name: /F1 fuse link/ }).first()).toBeVisible()
  await expect(page.getByRole('row', { name: /W3 conductor/ })).toHaveCount(0)
  await page.getByRole('button', { name: 'Unpin all' }).click()
  await page.getByRole('checkbox', { name: /only pinned/ }).uncheck()
  // Only some of the readings; all states side by side.
  await choose(page.getByRole('combobox', { name: 'Readings', exact: true }), 'isolated')
  await expect(page.locator('td', { hasText: /^Disconnected: ohms and continuity/ })).toBeVisible()
  await expect(page.getByRole('button', { name: 'F1a', exact: true })).toHaveCount(0)
  await choose(page.getByRole('combobox', { name: 'Readings', exact: true }), 'all')
  await choose(page.getByRole('combobox', { name: 'State', exact: true }), 'all')
  await expect(page.locator('tr[data-row="G1e"]')).toContainText('→')
  await audit(page)
  await choose(page.getByRole('combobox', { name: 'State', exact: true }), 'wash')

  const file = async (what: string) => {
    await page.getByRole('button', { name: 'Export …' }).click()
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.locator('.n-dropdown-menu').getByText(what).click(),
    ])
    return readFileSync(await download.path())
  }
  for (const what of [
    'Answer key with the rows shown, PDF',
    'Blank worksheet for these points, PDF',
    'Build sheet with labels, PDF',
  ])
    expect((await file(what)).subarray(0, 5).toString()).toBe('%PDF-')
  expect((await file('Schematic, SVG')).toString()).toContain('<svg')
  expect((await file('SPICE')).toString()).toContain('.op')
  const json = await file('Circuit, JSON')

  await press(page.getByRole('radio', { name: 'Build sheet' }))
  await expect(page.getByRole('heading', { name: 'Wire list' })).toBeVisible()
  await choose(page.getByRole('combobox', { name: 'State', exact: true }), { index: 0 })
  const measured = page.getByLabel(/^Measured at G1e/)
  await measured.fill('0.9')
  await measured.press('Tab')
  await expect(page.getByText('outside its band')).toBeVisible()
  await page.getByRole('button', { name: /Fit the model to 1/ }).click()
  await expect(page.getByRole('heading', { name: 'What changed' })).toBeVisible()
  await page.getByRole('button', { name: 'Save as this board’s baseline' }).click()
  await expect(page.getByRole('group', { name: /board as measured/ })).toBeVisible()

  // What went out comes back in, dropped on the page.
  await page.getByRole('link', { name: 'Circuits', exact: true }).click()
  await page.getByRole('button', { name: 'Import a circuit …' }).waitFor()
  await page.evaluate((text) => {
    const transfer = new DataTransfer()
    transfer.items.add(new File([text], 'pump.json', { type: 'application/json' }))
    document.dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true, cancelable: true }))
  }, json.toString())
  await page.getByRole('dialog').getByRole('button', { name: 'Import', exact: true }).click()
  await expect(page.getByRole('group', { name: 'Schematic: Pump of bench 3' })).toBeVisible()
})
