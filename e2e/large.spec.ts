import { expect, test, type Page } from '@playwright/test'
import { choose, chosenIn, press } from './choose'
import { harnessCircuit } from '../bench/harness'
import { signIn, toStep } from './story'

/** A circuit of the test's own, through the door that an import takes. */
async function importCircuit(page: Page, circuit: object): Promise<string> {
  const made = await page.request.post('/api/circuits', { data: circuit })
  expect(made.status()).toBe(201)
  return ((await made.json()) as { id: string }).id
}

const drawing = (page: Page) => page.getByRole('group', { name: /^Schematic:/ })
const partOf = (page: Page, id: string) => page.locator(`.schematic [data-part="${id}"]`).first()
const inView = async (page: Page, id: string) => {
  const [frame, box] = await Promise.all([
    page.locator('.drawing .frame').boundingBox(),
    partOf(page, id).locator('.hit').boundingBox(),
  ])
  if (!frame || !box) return false
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  return x > frame.x && x < frame.x + frame.width && y > frame.y && y < frame.y + frame.height
}

test('four hundred nodes: found by name, moved, zoomed, gone through by keys, and changed', async ({
  page,
}) => {
  await signIn(page, 'orla')
  const circuit = harnessCircuit(400)
  await page.goto(`/bench/${await importCircuit(page, circuit)}`)
  await expect(drawing(page)).toBeVisible()
  const far = circuit.parts.filter((p) => p.kind === 'lamp').at(-1)!.id

  await test.step('only what is near the view is kept in the page', async () => {
    await expect(partOf(page, 'F1')).toBeVisible()
    await expect(partOf(page, far)).toHaveCount(0)
    expect(await page.locator('.schematic .part').count()).toBeLessThan(circuit.parts.length / 2)
  })

  await test.step('a part is found by its name, and shown', async () => {
    await page.getByLabel('Find a part').fill(far)
    await page.keyboard.press('Enter')
    await expect(partOf(page, far)).toBeVisible()
    expect(await inView(page, far)).toBe(true)
    await expect(page.getByRole('region', { name: `Values of ${far}` })).toBeVisible()
  })

  await test.step('a drag moves the drawing by as much as the hand', async () => {
    const before = (await partOf(page, far).locator('.hit').boundingBox())!
    const frame = (await page.locator('.drawing .frame').boundingBox())!
    // Below what the rules of the workshop say.
    const [x, y] = [frame.x + frame.width / 2, frame.y + frame.height - 80]
    await page.mouse.move(x, y)
    await page.mouse.down()
    await page.mouse.move(x + 60, y + 45, { steps: 6 })
    await page.mouse.up()
    const after = (await partOf(page, far).locator('.hit').boundingBox())!
    expect(after.x - before.x).toBeCloseTo(60, 0)
    expect(after.y - before.y).toBeCloseTo(45, 0)
  })

  await test.step('pressing a part at the edge of the view does not move it away from under the pointer', async () => {
    const frame = (await page.locator('.drawing .frame').boundingBox())!
    const spot = (await partOf(page, far).locator('.hit').boundingBox())!
    const middle = { x: spot.x + spot.width / 2, y: spot.y + spot.height / 2 }
    const [x, y] = [frame.x + frame.width / 2, frame.y + frame.height - 80]
    await page.mouse.move(x, y)
    await page.mouse.down()
    const across = frame.x + frame.width - 24 - middle.x
    await page.mouse.move(x + across, y, { steps: 6 })
    await page.mouse.up()
    const before = (await partOf(page, far).locator('.hit').boundingBox())!
    await page.mouse.move(before.x + before.width / 2, before.y + before.height / 2)
    await page.mouse.down()
    await page.waitForTimeout(100)
    expect(await partOf(page, far).locator('.hit').boundingBox()).toEqual(before)
    await page.mouse.up()
    await expect(page.getByRole('region', { name: `Values of ${far}` })).toBeVisible()
  })

  await test.step('the wheel zooms about the pointer, and the drawing is sharp again afterwards', async () => {
    const spot = (await partOf(page, far).locator('.hit').boundingBox())!
    const at = { x: spot.x + spot.width / 2, y: spot.y + spot.height / 2 }
    await page.mouse.move(at.x, at.y)
    for (let i = 0; i < 5; i++) await page.mouse.wheel(0, -60)
    await expect
      .poll(async () => (await partOf(page, far).locator('.hit').boundingBox())!.width)
      .toBeGreaterThan(spot.width * 1.5)
    const grown = (await partOf(page, far).locator('.hit').boundingBox())!
    // A pointer stands on whole pixels.
    expect(Math.abs(grown.x + grown.width / 2 - at.x)).toBeLessThan(2)
    expect(Math.abs(grown.y + grown.height / 2 - at.y)).toBeLessThan(2)
    await expect
      .poll(() => drawing(page).evaluate((svg) => (svg as unknown as HTMLElement).style.transform))
      .toMatch(/scale\(1\)$/)
  })

  await test.step('all of it fits, and too small to read it has no names', async () => {
    await page.getByRole('button', { name: 'Fit the drawing' }).click()
    await expect(page.locator('.schematic .part').nth(circuit.parts.length - 5)).toBeAttached()
    await expect(drawing(page)).toHaveClass(/far/)
    await expect(partOf(page, 'F1').locator('text')).toBeHidden()
  })

  await test.step('what takes the focus comes into view', async () => {
    for (let i = 0; i < 6; i++) await page.getByRole('button', { name: 'Zoom in' }).click()
    await page.keyboard.press('g')
    for (let i = 0; i < 4; i++) await page.keyboard.press('Tab')
    const id = (await page.evaluate('document.activeElement.dataset.part')) as string
    await expect.poll(() => inView(page, id)).toBe(true)
  })

  await test.step('a value is changed, saved, and the volts follow', async () => {
    const find = async (id: string) => {
      await page.getByLabel('Find a part').fill(id)
      await page.keyboard.press('Enter')
    }
    // Near enough, every point has its reading beside it.
    const volts = page.locator('.schematic [data-point="F1a"] .face-value')
    await expect(async () => {
      await page.getByRole('button', { name: 'Zoom in' }).click()
      await find('F1')
      await expect(volts).toBeAttached({ timeout: 500 })
    }).toPass()
    const before = await volts.textContent()
    await find('W1')
    await page.getByRole('textbox', { name: /length/i }).fill('6')
    await page.keyboard.press('Enter')
    await find('F1')
    await expect(volts).not.toHaveText(before!)
    await expect(page.getByText('saved', { exact: true })).toBeVisible()
  })
})

test('the faulted staircase is drawn over the chart, rises with the severity, and says its volts under the pointer', async ({
  page,
}) => {
  await signIn(page, 'orla')
  // A copy of its own: others of the same name are worked on by other stories.
  const copy = await page.request.post('/api/templates/sweeper-work-lamp')
  const { id } = (await copy.json()) as { id: string }
  await page.goto(`/plant/${id}`)
  await choose(page.locator('section[aria-label=Fault]').getByRole('combobox').first(), 'G1')
  const kinds = page.getByRole('group', { name: 'How it fails' })
  await kinds.getByRole('button', { name: /^High resistance eyelet/ }).click()
  const line = page.locator('.ways .over .line')
  const staircase = async () => {
    await toStep(page, 'Effect')
    await press(page.getByRole('radio', { name: 'Staircase' }))
    await expect(line).toBeVisible()
  }
  await staircase()
  const slider = page.getByRole('slider', { name: /Resistance/ })
  /** Height of the stretch of the staircase before the ground, in pixels from the top. */
  const heights = async () =>
    [...((await line.getAttribute('d')) ?? '').matchAll(/V([\d.]+)/g)].map((m) => Number(m[1]))
  const before = await heights()
  await toStep(page, 'Fault')
  await slider.focus()
  for (let i = 0; i < 40; i++) await page.keyboard.press('ArrowRight')
  await staircase()
  // Behind the load the volts stand higher the worse its ground is: less far from the top.
  const behind = (ys: number[]) => Math.min(...ys.slice(-11))
  await expect.poll(async () => behind(await heights())).toBeLessThan(behind(before) - 5)

  const plot = (await page.locator('.ways .plot').boundingBox())!
  await page.mouse.move(plot.x + plot.width * 0.9, plot.y + plot.height / 2)
  await expect(page.locator('.ways .readout')).toHaveText(/^\S+ .+V → .+V$/)
  await page.mouse.move(plot.x + plot.width / 2, plot.y + plot.height + 120)
  await expect(page.locator('.ways .readout')).toHaveCount(0)
})

test('the school’s own meter: bands follow its leaflet, a wrong value is told, and the next visit finds it', async ({
  page,
}) => {
  await signIn(page, 'orla')
  const id = await importCircuit(page, harnessCircuit(40))
  await page.goto(`/sheet/${id}`)
  const band = page.locator('tr[data-row]').first().locator('td').nth(4)
  const workshop = await band.textContent()
  const meters = () => page.getByRole('button', { name: 'Meter and limits …' }).click()
  await meters()
  await choose(page.getByRole('combobox', { name: 'Meter', exact: true }), 'own')
  await page.getByRole('textbox', { name: 'Volts ±' }).fill('3')
  await page.keyboard.press('Enter')
  await expect(band).not.toHaveText(workshop!)
  const own = await band.textContent()
  await page.getByRole('textbox', { name: 'Counts' }).fill('12')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('alert')).toContainText('Counts must lie between 1000 and 1000000')
  await expect(band).toHaveText(own!)
  await page.reload()
  await expect(band).toHaveText(own!)
  await meters()
  await expect(chosenIn(page.getByRole('combobox', { name: 'Meter', exact: true }))).toHaveAttribute(
    'data-chosen',
    'own',
  )
  await expect(band).toHaveText(own!)
  await choose(page.getByRole('combobox', { name: 'Meter', exact: true }), 'workshop')
  await expect(band).toHaveText(workshop!)
})
