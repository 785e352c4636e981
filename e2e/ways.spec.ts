import { readdirSync, readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { choose, chosenIn } from './choose'
import { complaintIn, stateOf as bench, whatShows, type Arrangement } from '../src/core/attempt'
import type { Circuit } from '../src/core/circuit'
import { readFaultSpec, type Fault } from '../src/core/faults'
import type { AttemptFile } from '../src/core/formats'
import { instrumentOf, scaleWord, type InstrumentKey } from '../src/core/instruments'
import { partOfKind, positionName } from '../src/core/parts'
import { tell } from '../src/core/words'
import { demoCircuit } from '../test/demo'
import { conclude, freshStudent, goToDesk, handOut, numberIn, repair, take } from './desk'
import { people } from './story'

/** What practitioners do, and what instructors see done wrong again and again. */
const folders = ['ways', 'mistakes'] as const
const names = folders.flatMap((folder) =>
  readdirSync(`demo/${folder}`).map((file) => `${folder}/${file.replace('.json', '')}`),
)
type Step = AttemptFile['steps'][number]
type Test = Extract<Step, { test: unknown }>['test']

const read = (name: string) => JSON.parse(readFileSync(`demo/${name}.json`, 'utf8')) as AttemptFile

function arrangementOf(circuit: Circuit, state: string | Arrangement): Arrangement {
  if (typeof state !== 'string') return state
  const { controls, detached, wiggled, engine, sinceKeyOff } = circuit.states.find((s) => s.name === state)!
  return { controls, detached, wiggled, engine, sinceKeyOff }
}

/** What the customer noticed, in the state that the way names; as it would be drafted where it names none. */
function complaintOf({ frame }: AttemptFile, circuit: Circuit, faults: readonly Fault[]) {
  const said = frame?.complaint
  const state = said && !Array.isArray(said) && bench(arrangementOf(circuit, said.state))
  const seen = state ? complaintIn(circuit, faults, state) : []
  return seen.length ? seen : [...([...whatShows(circuit, faults)][0]?.complaint ?? [])]
}

/** Sets the board as a person does, one thing after the other. */
async function arrange(page: Page, circuit: Circuit, arrangement: Arrangement): Promise<void> {
  const { controls, detached, wiggled = [], engine = 'off', sinceKeyOff } = bench(arrangement)
  const press = async (name: string | RegExp, wanted: boolean) => {
    const button = page.getByRole('button', { name, exact: typeof name === 'string' })
    if (((await button.getAttribute('aria-pressed')) === 'true') === wanted) return
    await button.click()
    await expect(button).toHaveAttribute('aria-pressed', String(wanted))
  }
  for (const { id, kind } of circuit.parts) {
    const definition = partOfKind(kind)
    const { positions, detach } = definition
    if (positions) await press(`${id} ${tell(positionName(definition, controls[id] ?? positions[0]!))}`, true)
    if (detach) await press(new RegExp(`^(unplug|pull|lift).* ${id}( |$)`, 'i'), detached.includes(id))
  }
  const running = page.getByRole('combobox', { name: /^Engine/ })
  if (await running.isVisible()) await choose(running, engine)
  if (sinceKeyOff !== undefined)
    await choose(page.getByRole('combobox', { name: 'Key off for', exact: true }), String(sinceKeyOff))
  const moved = wiggled.length > 1 ? '*' : (wiggled[0] ?? '')
  const hand = page.getByRole('combobox', { name: 'Wiggle' })
  // To choose what is chosen is an act, too: it would operate the board.
  if ((await chosenIn(hand).getAttribute('data-chosen')) !== moved) await choose(hand, moved)
}

/** How the page is told where an instrument is held. */
function heldBy({ red, black, round, series, inPlaceOf, spots, at }: Test) {
  if (round) return { round: round.join(' ') }
  const held = series ? 'series' : inPlaceOf ? 'inPlaceOf' : spots ? 'spots' : at ? 'at' : 'leads'
  const place = series ?? inPlaceOf ?? spots ?? at
  return place ? ({ held, at: place } as const) : { held: 'leads' as const, red: red!, black: black! }
}

async function measure(page: Page, step: Test, infers: boolean, marks: readonly string[]): Promise<number> {
  const instrument = instrumentOf(step.instrument as InstrumentKey)
  const { asks } = instrument
  const said = step.predict ?? ''
  const shown = await take(
    page,
    {
      device: instrument.device,
      function: tell(instrument.title),
      ...(step.settings && {
        set: Object.fromEntries(
          Object.entries(step.settings).map(([key, value]) => [
            tell(instrument.settings.find((one) => one.key === key)!.label),
            value,
          ]),
        ),
      }),
      ...heldBy(step),
      ...(asks.type === 'word' ? { word: tell(scaleWord(said)) } : { predict: said }),
      shows: /[\dOL]|[a-z]{3}/,
      marks: marks.map((id) => [id, 'Enter'] as const),
    },
    infers,
  )
  return numberIn(shown)
}

// Each has a student of its own.
test.describe.configure({ mode: 'parallel' })
for (const name of names)
  test(`through the interface: ${name}`, async ({ page, browser }, { retry }) => {
    const way = read(name)
    const circuit = demoCircuit(/([^/]+)\.json$/.exec(String(way.circuit))![1]!)
    const faults = way.planted.map((spec) => {
      const found = readFaultSpec(circuit, spec)
      if (!found.ok) throw new Error(spec)
      return found.fault
    })
    // Told again after a failure, it is another student's.
    const login = `way${retry}${names.indexOf(name)}`
    await freshStudent(page, login)
    const id = await handOut({
      circuit: new RegExp(`^${circuit.name}$`),
      faults,
      student: login,
      complaint: way.title!,
      frame: { mode: 'test', complaint: complaintOf(way, circuit, faults) },
    })
    await goToDesk(page, id)
    const values: number[] = []
    let struck: readonly string[] = []
    let left = false
    for (const [i, step] of way.steps.entries()) {
      if ('operate' in step) {
        await arrange(page, circuit, arrangementOf(circuit, step.operate.state))
        const again = page.getByRole('button', { name: 'Operate it again' })
        if (await again.isVisible()) await again.click()
      } else if ('test' in step) {
        await arrange(page, circuit, arrangementOf(circuit, step.test.state))
        if (step.test.also?.length && !left) {
          await page.getByRole('button', { name: 'Leave it connected' }).click()
          left = true
        }
        const next = way.steps[i + 1]
        const infers = next !== undefined && 'infer' in next
        const fresh = infers ? next.infer.struck.filter((part) => !struck.includes(part)) : []
        values.push(await measure(page, step.test, infers, fresh))
        if (infers) struck = next.infer.struck
      } else if ('conclude' in step) await conclude(page, step.conclude.piece, step.conclude.kind)
      else if ('repair' in step) {
        if (left) await page.getByRole('button', { name: /^Remove: / }).click()
        left = false
        await repair(page, step.repair.piece, step.repair.by)
      } else if ('renew' in step) {
        await page.getByText('Replace a fuse').click()
        const renew = page.getByRole('form', { name: 'Replace a fuse' })
        await choose(renew.getByRole('combobox', { name: 'Fuse', exact: true }), step.renew)
        await renew.getByRole('button', { name: 'Fit a new fuse' }).click()
        await expect(page.getByRole('listitem').filter({ hasText: 'Replaced a fuse' })).toBeVisible()
      }
    }
    await page.getByRole('button', { name: /^Finish (the work|without proof)/ }).click()
    await expect(page.getByText(/^Finished\./)).toBeVisible()
    for (const { test: number, from, to } of way.expects!.reads ?? []) {
      expect(values[number - 1], `reading ${number}`).toBeGreaterThanOrEqual(from)
      expect(values[number - 1], `reading ${number}`).toBeLessThanOrEqual(to)
    }

    const teacher = await browser.newContext({ baseURL: 'http://127.0.0.1:4187' })
    const review = await teacher.newPage()
    await review.request.post('/api/session', { data: people.orla })
    await review.goto(`/review/${id}`)
    for (const code of way.expects!.says ?? [])
      await expect(review.getByText(tell({ code })).first(), code).toBeVisible()
    const [least, most] = way.expects!.mark!
    const { judged } = (await (await review.request.get(`/api/orders/${id}/review`)).json()) as {
      judged: { total: number }
    }
    expect(judged.total).toBeGreaterThanOrEqual(least)
    expect(judged.total).toBeLessThanOrEqual(most)
    await teacher.close()
  })
