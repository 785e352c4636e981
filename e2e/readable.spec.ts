import { expect, test, type Page } from '@playwright/test'
import { handOut } from './desk'
import { signIn } from './story'

/**
 * Drawings as they open: nothing of an ordinary circuit is outside the view, and no letter in it is under 11 px. Measured in
 * the page, on every demo circuit of up to 25 parts.
 */
interface Measured {
  readonly smallest: number
  readonly outside: readonly string[]
  readonly share: number
}

const measure = (page: Page): Promise<Measured> =>
  page.locator('svg.schematic').evaluate((svg) => {
    const frame = svg.closest('.frame')!.getBoundingClientRect()
    const texts = [...svg.querySelectorAll('tspan')].filter((one) => one.textContent?.trim())
    const painted = Number(getComputedStyle(svg).getPropertyValue('--unit'))
    const sizes = texts.map((one) => parseFloat(getComputedStyle(one).fontSize) / painted)
    const outside = [...svg.querySelectorAll('text, path, circle')].flatMap((one) => {
      const box = one.getBoundingClientRect()
      if (box.width + box.height === 0) return []
      const off = 1
      return box.left < frame.left - off ||
        box.right > frame.right + off ||
        box.top < frame.top - off ||
        box.bottom > frame.bottom + off
        ? [one.textContent || one.tagName]
        : []
    })
    const place = document.querySelector('main')!.getBoundingClientRect()
    return { smallest: Math.min(...sizes), outside, share: frame.width / place.width }
  })

async function expectReadable(page: Page, what: string, share = 0) {
  await expect(page.locator('svg.schematic [data-part]').first()).toBeVisible()
  // The drawing is painted anew when its size has come to rest.
  await page.waitForTimeout(400)
  const found = await measure(page)
  expect(found.smallest, `${what}: smallest letter, px`).toBeGreaterThanOrEqual(10.95)
  expect(found.outside, `${what}: outside the view`).toEqual([])
  expect(found.share, `${what}: share of the place`).toBeGreaterThanOrEqual(share)
}

test('every ordinary circuit opens whole and readable on Bench and Plant', async ({ page }) => {
  test.setTimeout(300_000)
  await signIn(page, 'orla')
  const list = (await (await page.request.get('/api/circuits')).json()) as {
    id: string
    name: string
    parts: number
  }[]
  const ordinary = list.filter(({ parts }) => parts <= 25)
  expect(ordinary.length).toBeGreaterThan(10)
  for (const { id, name } of ordinary) {
    await page.goto(`/bench/${id}`)
    await expectReadable(page, `${name} on Bench`, 0.6)
    await page.getByRole('link', { name: 'Plant', exact: true }).click()
    await expect(page.getByRole('heading', { name: `Plant: ${name}` })).toBeAttached()
    await expectReadable(page, `${name} on Plant`, 0.6)
  }
})

test('and on the Desk and in Review', async ({ page }) => {
  test.setTimeout(300_000)
  const orders = await Promise.all(
    [
      { circuit: /^Starting, van/, part: 'G9', segment: 'foot' },
      { circuit: /^Charging, van/, part: 'FL1', segment: 'link' },
      { circuit: /^Stop, tail/, part: 'G1', segment: 'foot' },
      { circuit: /^Cab blower/, part: 'G1', segment: 'foot' },
      { circuit: /^Side harness/, part: 'X1', segment: 'pin' },
      { circuit: /^Hopper motor/, part: 'X1', segment: 'pin' },
    ].map(({ circuit, part, segment }) =>
      handOut({
        circuit,
        faults: [{ kind: 'highResistance', part, segment, severity: 1 }],
        student: 'idris',
        complaint: 'It is not what it was.',
      }),
    ),
  )
  await signIn(page, 'idris')
  for (const id of orders) {
    await page.goto(`/desk/${id}`)
    await expectReadable(page, `desk ${id}`)
  }
  await page.getByRole('button', { name: 'Sign out' }).click()
  await page.getByRole('button', { name: 'Sign in' }).waitFor()
  await signIn(page, 'orla')
  for (const id of orders) {
    await page.goto(`/review/${id}`)
    await expectReadable(page, `review ${id}`, 0.6)
  }
})
