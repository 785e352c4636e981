import type { SolvedBoard } from '../../board'
import { firstSource, systemOf, type Circuit } from '../../circuit'
import { wireUp } from '../../model'
import type { Fault } from '../../faults'
import { type Message, say, type Words } from '../../document'
import { workshopMeter, type InstrumentKey, type MeterType } from '../../instruments'
import { brightnessScale, partOfKind } from '../../parts'
import { answerKey, boardOfKey, passing, type StateKey } from '../../readings'
import { glowAcross } from './glow'

/** Sorts of test, by which a map of them is laid out: each with the instrument that makes it, none for eyes and ears. */
export const sorts = {
  volts: { title: 'diagnosis.sorts.volts', instrument: 'volts' },
  drop: { title: 'diagnosis.sorts.drop', instrument: 'volts' },
  fuse: { title: 'diagnosis.sorts.fuse', instrument: 'fuseVolts' },
  clamp: { title: 'diagnosis.sorts.clamp', instrument: 'clamp' },
  lamp: { title: 'diagnosis.sorts.lamp', instrument: 'testLamp' },
  continuity: { title: 'diagnosis.sorts.continuity', instrument: 'continuity' },
  ohms: { title: 'diagnosis.sorts.ohms', instrument: 'ohms' },
  notice: { title: 'diagnosis.sorts.notice', instrument: undefined },
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
export type Signature = Float64Array

export interface TestSet {
  readonly tests: readonly Test[]
  readonly healthy: Signature
  /** Within which a reading passes for the healthy one. */
  readonly band: Float64Array
}

const open = 1e9

/** All tests that make sense on this circuit, and what they show when it is sound. */
export function testSetOf(circuit: Circuit, meter: MeterType = workshopMeter): TestSet {
  const tests: Test[] = []
  const bands: number[] = []
  const values = readAll(circuit, [], meter, (test, band) => {
    tests.push(test)
    bands.push(band)
  })
  return { tests, healthy: values, band: Float64Array.from(bands) }
}

/** What the same tests show with faults planted, in the same order. */
export const signatureOf = (
  circuit: Circuit,
  faults: readonly Fault[],
  meter: MeterType = workshopMeter,
): Signature => readAll(circuit, faults, meter)

function readAll(
  circuit: Circuit,
  faults: readonly Fault[],
  meter: MeterType,
  note?: (test: Test, band: number) => void,
): Signature {
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
