import type { SolvedBoard } from '../board'
import { firstSource, systemOf, type Circuit } from '../circuit'
import { wireUp } from '../model'
import { faultOfKind, possibleFaults, type Fault } from '../faults'
import { type Message, say, figures, type Words } from '../document'
import {
  instrumentOf,
  scaleWord,
  readTestLamp,
  settingsOf,
  workshopMeter,
  type InstrumentKey,
  type MeterType,
} from '../instruments'
import { brightness, brightnessScale, partOfKind } from '../parts'
import { formatQuantity } from '../quantity'
import { answerKey, boardOfKey, isApart, passing, type StateKey } from '../readings'

/** Sorts of test, by which a map of them is laid out: each with the instrument that makes it, none for eyes and ears. */
export const sorts = {
  volts: { title: 'diagnosis.sight.title', instrument: 'volts' },
  drop: { title: 'diagnosis.sight.voltageDrops', instrument: 'volts' },
  fuse: { title: 'diagnosis.sight.fuseMillivolts', instrument: 'fuseVolts' },
  clamp: { title: 'diagnosis.sight.clamp', instrument: 'clamp' },
  lamp: { title: 'diagnosis.sight.testLamp', instrument: 'testLamp' },
  continuity: { title: 'diagnosis.sight.continuity', instrument: 'continuity' },
  ohms: { title: 'diagnosis.sight.ohmsIsolated', instrument: 'ohms' },
  notice: { title: 'diagnosis.sight.seenAndHeard', instrument: undefined },
} as const satisfies Readonly<Record<string, { title: Words; instrument: InstrumentKey | undefined }>>
export type Sort = keyof typeof sorts

/** A test that somebody might do on this circuit. */
export interface Test {
  readonly sort: Sort
  /** Id of the state, or none where the part lies on the bench. */
  readonly state?: string
  readonly place: string
  readonly what: Message
}

/** What every test shows of one board: a number, or a word's number; NaN where nothing holds it. */
export type Sight = Float64Array

export interface Sights {
  readonly tests: readonly Test[]
  readonly healthy: Sight
  /** Within which a reading passes for the healthy one. */
  readonly band: Float64Array
}

const open = 1e9
/** All tests that make sense on this circuit, and what they show when it is sound. */
export function sightsOf(circuit: Circuit, meter: MeterType = workshopMeter): Sights {
  const tests: Test[] = []
  const bands: number[] = []
  const values = readAll(circuit, [], meter, (test, band) => {
    tests.push(test)
    bands.push(band)
  })
  return { tests, healthy: values, band: Float64Array.from(bands) }
}

/** What the same tests show with faults planted, in the same order. */
export const sightOf = (
  circuit: Circuit,
  faults: readonly Fault[],
  meter: MeterType = workshopMeter,
): Sight => readAll(circuit, faults, meter)

function readAll(
  circuit: Circuit,
  faults: readonly Fault[],
  meter: MeterType,
  note?: (test: Test, band: number) => void,
): Sight {
  const found: number[] = []
  const add = (test: () => Test, value: number, band: number) => {
    found.push(value)
    note?.(test(), band)
  }
  const key = answerKey(circuit, faults, meter)
  for (const state of key.states) {
    const id = state.state.id
    if (state.ok) stateTests(state, id, add)
    else skeleton(circuit, id, add)
    lampTests(circuit, state.ok ? boardOfKey(state) : undefined, id, add)
  }
  for (const row of key.isolated) {
    const place = row.part
    const what = say('diagnosis.alone', { part: row.part, between: row.between })
    const ohms = Math.min(open, row.ohms.value ?? open)
    add(() => ({ sort: 'ohms', place, what }), ohms, passing.ohms(ohms))
    add(() => ({ sort: 'continuity', place, what }), row.continuity.beeps ? 1 : 0, passing.word)
  }
  return Float64Array.from(found)
}

type Add = (test: () => Test, value: number, band: number) => void

function stateTests(state: StateKey, id: string, add: Add): void {
  for (const row of state.points) {
    if (row.inside) continue
    add(
      () => ({
        sort: 'volts',
        state: id,
        place: row.name,
        what: say('diagnosis.toGround', { point: row.name }),
      }),
      row.value ?? Number.NaN,
      passing.volts(row.band),
    )
  }
  for (const row of state.drops)
    add(
      () => ({
        sort: 'drop',
        state: id,
        place: row.part,
        what: say('diagnosis.between', { from: row.from, to: row.to }),
      }),
      row.value ?? Number.NaN,
      passing.volts(row.band),
    )
  for (const row of state.fuses)
    add(
      () => ({
        sort: 'fuse',
        state: id,
        place: row.part,
        what: say('diagnosis.acrossFuse', { part: row.part }),
      }),
      row.value ?? Number.NaN,
      passing.volts(row.band),
    )
  const clamp = (place: string, what: Message, amps: number) =>
    add(
      () => ({ sort: 'clamp', state: id, place, what: say('diagnosis.round', { what }) }),
      amps,
      passing.clamp(amps),
    )
  for (const { place, bundle, amps, conductors } of state.places) {
    clamp(place, say('diagnosis.place', { bundle, place }), amps)
    for (const { part, amps: own } of conductors) clamp(place, say('diagnosis.wireAt', { part, place }), own)
  }
  // Where no loom offers a place, there is still the wire of each load.
  const loads = new Set<string>()
  for (const { part, side, amps } of state.drops) {
    if (side !== 'load' || loads.has(part)) continue
    loads.add(part)
    clamp(part, say('diagnosis.feedOf', { part }), amps)
  }
  for (const notice of state.notices)
    add(
      () => ({
        sort: 'notice',
        state: id,
        place: notice.part,
        what: say('diagnosis.whatDoes', { part: notice.part }),
      }),
      wordNumber(notice.key),
      passing.word,
    )
}

/** A state that finds no answer takes the places of its tests all the same. */
function skeleton(circuit: Circuit, id: string, add: Add): void {
  const sound = answerKey(circuit, []).states.find((s) => s.state.id === id)
  if (sound?.ok) stateTests(sound, id, (test, _, band) => add(test, Number.NaN, band))
}

/** The same number for the same word wherever it is worked out: several workers share a map. */
function wordNumber(word: string): number {
  let hash = 0
  for (const char of word) hash = (Math.imul(hash, 31) + char.charCodeAt(0)) | 0
  return hash
}

/** Amps of an ordinary test lamp. */
const lampAmps = 0.25
/** Ohms behind a point that a test lamp cannot disturb, and those behind which none lights. */
const stiff = 2
const weak = 20_000

/**
 * What the lamp does between two points. Where the board is stiff, or next to nothing is behind it, its open volts and
 * its ohms say that (Thévenin) without a board of its own; between the two, and near the edge of a word, it is solved.
 */
export function glowAcross(solved: SolvedBoard, red: number, black: number, rated: number): string {
  if (!solved.cycle) {
    const open = solved.volts(red, black) ?? 0
    if (Math.abs(open) < 0.01 * rated) return 'dark'
    const behind = solved.ohms(red, black)
    const own = rated / lampAmps
    const across = (open * own) / (own + behind)
    const words = [0.96, 1, 1.04].map((share) => brightness(share * across, rated).key)
    if ((behind < stiff || behind > weak) && new Set(words).size === 1) return words[0]!
  }
  return readTestLamp(solved, red, black, lampAmps, rated).glow
}

/** An ordinary test lamp at both sides of every load: what most reach for first. */
function lampTests(circuit: Circuit, solved: SolvedBoard | undefined, id: string, add: Add): void {
  const wiring = wireUp(circuit)
  const battery = firstSource(circuit.parts)!
  const volts = systemOf(circuit).nominal
  for (const part of circuit.parts) {
    const definition = partOfKind(part.kind)
    if (definition.role !== 'load') continue
    const [feed, back] = definition.through.map((key) => wiring.nodeOf(part.id, key)) as [number, number]
    const plus = wiring.nodeOf(battery.id, 'pos')
    for (const [red, black, what] of [
      [feed, 0, say('diagnosis.lampFeed', { part: part.id })],
      [plus, back, say('diagnosis.lampReturn', { part: part.id })],
    ] as const) {
      const glow = solved ? glowAcross(solved, red, black, volts) : 'dark'
      const level = brightnessScale.indexOf(glow)
      add(() => ({ sort: 'lamp', state: id, place: part.id, what }), level, passing.word)
    }
  }
}

/** Indices of the tests that reveal a board. */
export const revealing = ({ healthy, band }: Sights, sight: Sight): number[] =>
  [...sight.keys()].filter((i) => isApart(sight[i]!, healthy[i]!, band[i]!))

/** Whether no test tells the two apart. */
export function alike({ band }: Sights, a: Sight, b: Sight): boolean {
  for (let i = 0; i < a.length; i++) if (isApart(a[i]!, b[i]!, band[i]!)) return false
  return true
}

export interface SeenFault {
  readonly fault: Fault
  readonly sight: Sight
  /** A further size of a fault that was seen at its usual one. */
  readonly variant: boolean
}

/**
 * Sees every fault of the catalogue, at its usual size first and then at the sizes of its kind's grid; one a step, so that
 * whoever asks can show how far it has come and stop. Several may share the work: each takes every so-many-th.
 */
export function* seeAll(
  circuit: Circuit,
  { nth, of: sharers } = { nth: 0, of: 1 },
): Generator<{ seen: SeenFault; done: number; of: number }> {
  const usual = possibleFaults(circuit)
  const variants = usual.flatMap((fault) =>
    (faultOfKind(fault.kind).severity?.grid ?? [])
      .filter((severity) => severity !== fault.severity)
      .map((severity) => ({ ...fault, severity })),
  )
  const mine = <T>(list: readonly T[]) => list.filter((_, i) => i % sharers === nth)
  const of = mine(usual).length + mine(variants).length
  let done = 0
  for (const [list, variant] of [
    [usual, false],
    [variants, true],
  ] as const)
    for (const fault of mine(list))
      yield { seen: { fault, sight: sightOf(circuit, [fault]), variant }, done: ++done, of }
}

/** Columns of the map: tests of a kind in a state, taken together. */
export interface Group {
  readonly sort: Sort
  readonly state?: string
  readonly tests: readonly number[]
}

export function groupsOf({ tests }: Pick<Sights, 'tests'>): Group[] {
  const groups = new Map<string, { sort: Sort; state?: string; tests: number[] }>()
  tests.forEach(({ sort, state }, i) => {
    const id = `${sort} ${state ?? ''}`
    const group = groups.get(id) ?? { sort, ...(state !== undefined && { state }), tests: [] }
    group.tests.push(i)
    groups.set(id, group)
  })
  return [...groups.values()]
}

/** Tests that people do too readily: they pass by what only shows under load. */
export function isLazy(sort: Sort): boolean {
  const key = sorts[sort].instrument
  if (!key) return false
  const instrument = instrumentOf(key)
  const { needsDead, carries, underLoad } = instrument.nature(settingsOf(instrument))
  return needsDead === true || (carries === true && !underLoad)
}

/** A value that such a test shows, as its instrument writes it. */
export function writeSight(sort: Sort, value: number): Words {
  const key = sorts[sort].instrument
  if (!key) return figures('')
  if (Number.isNaN(value)) return 'readings.floating'
  const { asks } = instrumentOf(key)
  switch (asks.type) {
    case 'beep':
      return value ? 'readings.beep' : 'readings.noBeep'
    case 'word':
      return asks.words[value] === undefined ? figures('') : scaleWord(asks.words[value])
    case 'value':
      return figures(asks.open && value >= 1e8 ? 'OL' : formatQuantity(value, asks.unit))
  }
}
