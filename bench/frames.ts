import { chromium, type Page } from '@playwright/test'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startServer } from '../e2e/server'
import { choose } from '../e2e/choose'
import { people } from '../e2e/story'
import { harnessCircuit } from './harness'
import { small } from './small'
import drawing from '../src/messages/en/ui/schematic.json'
import plant from '../src/messages/en/ui/plant.json'
import bench from '../src/messages/en/ui/bench.json'

/*
 * How smooth the real interface is: frames while a large drawing is moved and zoomed, edits of it, and a severity that
 * is dragged. Figures to read, never a test: they are the machine's as much as ours.
 */

const port = 4191

/** In the page: times of frames from `start` to `stop`, and the share of each that scripts took. */
const recorder = `
  window.frames = { times: [], work: [], on: false }
  const tick = (at) => {
    if (!window.frames.on) return
    window.frames.times.push(at)
    requestAnimationFrame(tick)
  }
  window.keys = []
  let pressed = ''
  addEventListener('keydown', (e) => (pressed = e.key), true)
  new PerformanceObserver((list) => {
    for (const e of list.getEntries()) window.keys.push({ name: e.name, key: pressed, ms: e.duration })
  }).observe({ type: 'event', durationThreshold: 16 })
  window.startFrames = () => { window.frames = { times: [], on: true }; requestAnimationFrame(tick) }
  window.stopFrames = () => { window.frames.on = false; return window.frames.times }
`

const share = (sorted: number[], at: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * at))]!

function say(what: string, gaps: number[]): void {
  const sorted = [...gaps].sort((a, b) => a - b)
  const figures = [share(sorted, 0.5), share(sorted, 0.95), sorted.at(-1)!].map((ms) => ms.toFixed(0))
  console.log(
    `${what.padEnd(64)} median ${figures[0]} ms, 95 % ${figures[1]} ms, worst ${figures[2]} ms (${gaps.length})`,
  )
}

const transform = (page: Page) =>
  page.evaluate<string>(`document.querySelector('.schematic').style.transform`)

/** Frames while the drawing is moved; refuses to measure a drawing that stands still. */
async function framesOf(page: Page, work: () => Promise<void>, moves = true): Promise<number[]> {
  const before = await transform(page)
  await page.evaluate('window.startFrames()')
  await work()
  const times = await page.evaluate<number[]>('window.stopFrames()')
  if (moves && (await transform(page)) === before) throw new Error('the drawing did not move')
  return times.slice(1).map((at, i) => at - times[i]!)
}

/** The browser's own measure of an interaction, from the key to the next paint. */
const enters = (page: Page) =>
  page.evaluate<number[]>(
    `window.keys.filter((e) => e.name === 'keydown' && e.key === 'Enter').map((e) => e.ms)`,
  )

async function drag(page: Page, from: [number, number], by: (i: number) => [number, number], steps: number) {
  await page.mouse.move(...from)
  await page.mouse.down()
  const moves: Promise<void>[] = []
  for (let i = 1; i <= (small ? 20 : steps); i++) {
    const [dx, dy] = by(i)
    // As a hand moves: not waiting for the page to have coped with the step before.
    moves.push(page.mouse.move(from[0] + dx, from[1] + dy))
    await new Promise((done) => setTimeout(done, 12))
  }
  await Promise.all(moves)
  await page.mouse.up()
}

async function main(): Promise<void> {
  const data = mkdtempSync(join(tmpdir(), 'brachyon-frames-'))
  const server = await startServer(port, data, true)
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-sync'],
  })
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
    await page.addInitScript(recorder)
    await page.goto(`${server.url}/sign-in`)
    await page.getByLabel('Sign-in name').fill(people.orla.login)
    await page.getByLabel('Password').fill(people.orla.password)
    await page.getByRole('button', { name: 'Sign in' }).click()
    await page.getByRole('button', { name: 'Sign out' }).waitFor()

    const made = await page.request.post(`${server.url}/api/circuits`, { data: harnessCircuit(400) })
    const { id } = (await made.json()) as { id: string }
    await page.goto(`${server.url}/bench/${id}`)
    await page.locator('.schematic .part').first().waitFor()
    await page.waitForTimeout(1500)
    const box = (await page.locator('.drawing .frame').boundingBox())!
    const middle: [number, number] = [box.x + box.width / 2, box.y + box.height / 2]
    const circle = (i: number): [number, number] => [150 * Math.sin(i / 14), 110 * Math.sin(i / 9)]
    say(
      '400 nodes: frames while the drawing is dragged',
      await framesOf(page, () => drag(page, middle, circle, 150)),
    )
    say(
      '400 nodes: frames while it is zoomed with the wheel',
      await framesOf(page, async () => {
        await page.mouse.move(...middle)
        for (let i = 0; i < 60; i++) await page.mouse.wheel(0, i % 30 < 17 ? -40 : 40)
      }),
    )
    await page.getByRole('button', { name: drawing.fitTheDrawing }).click()
    await page.waitForTimeout(500)
    say(
      '400 nodes, all in view: frames while it is dragged',
      await framesOf(page, () => drag(page, middle, circle, 150)),
    )
    for (let i = 0; i < 4; i++) await page.getByRole('button', { name: drawing.larger }).click()
    await page.getByLabel(bench.findPartTitle).fill('W5')
    await page.keyboard.press('Enter')
    const length = page.getByRole('textbox', { name: /length/i }).first()
    await length.waitFor()
    for (let i = 0; i < (small ? 2 : 20); i++) {
      await length.fill(`${1 + i / 10}`)
      await page.keyboard.press('Enter')
      await page.waitForTimeout(250)
    }
    say('400 nodes: from Enter on a length to the next paint', await enters(page))

    const all = await page.request.get(`${server.url}/api/circuits`)
    const circuits = (await all.json()) as { id: string; name: string }[]
    await page.goto(`${server.url}/plant/${circuits.find((c) => /drain/.test(c.name))!.id}`)
    await choose(page.getByRole('combobox', { name: 'Place', exact: true }), 'X1')
    const kinds = page.getByRole('group', { name: plant.howItFails })
    await kinds
      .getByRole('button', { name: /resistance/i })
      .first()
      .click()
    const slider = page.locator('.n-slider').first()
    await slider.waitFor()
    await page.waitForTimeout(1500)
    const track = (await slider.boundingBox())!
    const along = (i: number): [number, number] => [(track.width - 16) * (0.5 - 0.5 * Math.cos(i / 25)), 0]
    say(
      'severity dragged, key-off drain (71 nodes): frames',
      await framesOf(page, () => drag(page, [track.x + 8, track.y + track.height / 2], along, 200), false),
    )
  } finally {
    await browser.close()
    await server.kill()
    rmSync(data, { recursive: true, force: true })
  }
}

await main()
