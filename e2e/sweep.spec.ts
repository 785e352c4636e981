import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { harnessCircuit } from '../bench/harness'
import { expectAccessible } from './axe'
import { misplaced } from './misplaced'
import { freshStudent, handOut } from './desk'
import { settled, signIn } from './story'

interface Named {
  name?: string
}
interface Document extends Named {
  vehicle?: string
  parts: (Named & { id: string })[]
  paths: Named[]
  states: Named[]
}
const demo = (name: string) => JSON.parse(readFileSync(`demo/circuits/${name}.json`, 'utf8')) as Document

const three = {
  format: 'brachyon-circuit',
  version: 2,
  name: 'Three parts',
  parts: [
    { id: 'B1', kind: 'battery' },
    { id: 'S1', kind: 'switch' },
    { id: 'L1', kind: 'lamp' },
  ],
  paths: [{ id: 'p1', from: 'B1.p', to: 'B1.n', steps: [{ part: 'S1' }, { part: 'L1' }] }],
  states: [{ id: 'on', name: 'on', controls: { S1: 'closed' } }],
}
function longNames(): Document {
  const circuit = demo('sweeper-work-lamp')
  circuit.name = 'Rear work lamp, left and right, of the large street sweeper with the hopper extension kit'
  circuit.vehicle = 'Fennick Vale sweeper number four, rebuilt after the flood of the lower yard'
  for (const part of circuit.parts)
    part.name = `${part.name ?? part.id} behind the left-hand cover, upper row`
  for (const state of circuit.states) state.name += ', engine running and all other loads of the cab off'
  return circuit
}
function noNames(): Document {
  const circuit = demo('sweeper-work-lamp')
  circuit.name = 'No names'
  for (const one of [...circuit.parts, ...circuit.paths]) delete one.name
  return circuit
}

test('circuits of every kind at every size, light and dark, in German: nothing sticks out, nothing is cut off', async ({
  page,
}) => {
  test.slow()
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await signIn(page, 'orla')
  const circuits: [string, string][] = []
  for (const [name, circuit] of Object.entries({
    three,
    long: longNames(),
    none: noNames(),
    modules: demo('van-key-off-drain'),
    eighty: harnessCircuit(126),
  })) {
    const made = await page.request.post('/api/circuits', { data: circuit })
    expect(made.status(), `${name}: ${await made.text()}`).toBe(201)
    circuits.push([name, ((await made.json()) as { id: string }).id])
  }
  const sizes = [
    [1280, 800],
    [1024, 768],
    [1920, 1080],
    // 1280 × 800 at two hundred percent.
    [640, 400],
  ] as const
  const atEverySize = async (place: string, what: string) => {
    await page.goto(place)
    for (const [width, height] of sizes) {
      await page.setViewportSize({ width, height })
      await settled(page)
      expect.soft(await misplaced(page), `${what}, ${width}×${height}`).toEqual([])
    }
    await page.setViewportSize({ width: 1280, height: 800 })
  }
  const sweep = async (kinds: readonly string[], what: string) => {
    await atEverySize('/', `Today, ${what}`)
    await atEverySize('/circuits', `Circuits, ${what}`)
    for (const [name, id] of circuits.filter(([name]) => kinds.includes(name)))
      for (const place of ['bench', 'plant', 'sheet', 'show'])
        await atEverySize(`/${place}/${id}`, `${place}, ${name}, ${what}`)
  }
  await sweep(['three', 'long', 'none', 'modules', 'eighty'], 'light')
  await page.getByRole('button', { name: 'Dark mode' }).click()
  await sweep(['long'], 'dark')
  await page.goto(`/bench/${circuits[0]![1]}`)
  await expect(page.locator('.schematic')).toBeVisible()
  await expectAccessible(page)
  await page.evaluate(() => localStorage.setItem('brachyon.language', 'de'))
  await sweep(['modules', 'eighty'], 'dark, German')
})

test('the Desk at every size, by day and by night, in three languages: nothing sticks out, nothing is cut off', async ({
  page,
}) => {
  test.slow()
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await freshStudent(page, 'desk.sizes')
  const order = await handOut({
    circuit: /^Charging, van/,
    faults: [{ kind: 'open', part: 'W3', segment: 'copper' }],
    student: 'desk.sizes',
    complaint: 'The charge lamp does not light with the key on run.',
  })
  await page.goto(`/desk/${order}`)
  for (const language of ['en', 'de', 'fr'])
    for (const colorScheme of ['light', 'dark'] as const) {
      await page.emulateMedia({ colorScheme })
      await page.evaluate((to) => localStorage.setItem('brachyon.language', to), language)
      await page.reload()
      for (const [width, height] of [
        [1280, 800],
        [1024, 768],
        [640, 400],
        [390, 844],
      ] as const) {
        await page.setViewportSize({ width, height })
        await settled(page)
        const what = `the Desk, ${language}, ${colorScheme}, ${width}×${height}`
        expect.soft(await misplaced(page), what).toEqual([])
      }
    }
})

test('every place on a phone: nothing sticks out, nothing is cut off', async ({ page }) => {
  test.slow()
  await page.emulateMedia({ reducedMotion: 'reduce' })
  await page.setViewportSize({ width: 390, height: 844 })
  const walk = async (places: readonly string[], who: string) => {
    for (const place of places) {
      await page.goto(place)
      await settled(page)
      expect.soft(await misplaced(page), `${place}, ${who}`).toEqual([])
    }
  }
  const shared = ['/', '/drills', '/handbook', '/handbook/wireDrop', '/account']
  await freshStudent(page, 'phone.walk')
  const order = await handOut({
    circuit: /^Cooling fan by relay, van/,
    faults: [{ kind: 'open', part: 'W6', segment: 'copper' }],
    student: 'phone.walk',
    complaint: 'The cooling fan does not turn.',
  })
  await walk([...shared, `/desk/${order}`], 'a student')
  await page.context().clearCookies()
  await signIn(page, 'orla')
  const list = (await (await page.request.get('/api/circuits')).json()) as { id: string; name: string }[]
  const { id } = list.find(({ name }) => name === 'Cooling fan by relay, van')!
  const own = [
    '/circuits',
    '/lessons',
    '/exams',
    '/classes',
    '/days',
    '/floor',
    '/ledger',
    '/rubric',
    '/remote',
  ]
  const ofCircuit = ['bench', 'plant', 'sheet', 'show'].map((place) => `/${place}/${id}`)
  await walk([...shared, ...own, ...ofCircuit, `/review/${order}`], 'an instructor')
})
