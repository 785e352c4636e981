import { type Words, type Message } from '../document'
import { cached } from '../cache'
import { modelOf, runsOf, walkPaths, wireUp, type Stride, type Walk } from '../model'
import { refOf, type Circuit, type CircuitState, type SegmentRef } from '../circuit'
import type { Fault } from '../faults'
import {
  ampsByFuse,
  clampAmps,
  Expectations,
  workshopMeter,
  type Expected,
  type FuseAmps,
  type MeterType,
} from '../instruments'
import type { ScanRow } from '../parts'
import { aftermath, noticeAll, senseOf, solveBoard, type Noticed, type SolvedBoard } from '../board'
import { isolatedRows, type IsolatedRow } from './isolated'

export interface PointRow extends Expected {
  readonly name: string
  readonly title: Words
  readonly node: number
  /** Inside a housing: reckoned with, but no lead can reach it. */
  readonly inside: boolean
}

export interface DropRow extends Expected {
  readonly part: string
  readonly segment: string
  readonly name: Words
  readonly from: string
  readonly to: string
  readonly side: Stride['side']
  readonly amps: number
}

/** Where the source's volts go, for one path: the three shares close on the source (Kirchhoff). */
export interface Balance {
  readonly path: string
  readonly load: string | undefined
  readonly source: number
  /** Volts of the battery itself, in this state: limits in percent are of this. */
  readonly supply: number
  readonly feedLoss: Expected
  readonly loadDrop: Expected
  readonly returnLoss: Expected
  /** Source less the three; zero but for rounding. Undefined where part of the path floats. */
  readonly remainder: number | undefined
  readonly amps: number
}

export interface StateKey {
  readonly ok: true
  readonly state: CircuitState
  readonly points: readonly PointRow[]
  /** Pieces of all paths, each once, in the order in which the paths meet them. */
  readonly drops: readonly DropRow[]
  /** The pieces along each path, from battery + to battery −; as many as `balances`. */
  readonly walks: readonly (readonly DropRow[])[]
  readonly balances: readonly Balance[]
  readonly notices: readonly Noticed[]
  readonly blown: readonly string[]
  readonly fuses: readonly FuseRow[]
  readonly places: readonly PlaceRow[]
  readonly scans: readonly ScanPart[]
  /** Parts that switch to and fro without end: what buzzes, chatters or cycles. */
  readonly limitCycle: readonly string[]
}

const boards = new WeakMap<StateKey, SolvedBoard>()
/** The board that a state's readings were taken of: whoever asks for more of it need not solve it again. */
export const boardOfKey = (key: StateKey): SolvedBoard => boards.get(key)!

/** A fuse's millivolts, and the amps that the trade's table makes of them. */
export interface FuseRow extends Expected, FuseAmps {
  readonly part: string
  readonly name: string
}

/** What a clamp reads round a bundle, and round each conductor alone. */
export interface PlaceRow {
  readonly place: string
  readonly name: string
  readonly bundle: string
  /** Amps of all conductors in the jaws together, along the arrow. */
  readonly amps: number
  readonly conductors: readonly { readonly part: string; readonly amps: number }[]
}

export interface ScanPart {
  readonly part: string
  readonly rows: readonly ScanRow[]
}

export interface AnswerKey {
  readonly states: readonly (StateKey | { ok: false; state: CircuitState; why: Message })[]
  readonly isolated: readonly IsolatedRow[]
}

/** The full answer key: every state's readings, and each part by itself on the ohmmeter. */
export function answerKey(
  circuit: Circuit,
  faults: readonly Fault[],
  meter: MeterType = workshopMeter,
): AnswerKey {
  const used = circuit.states.map((state) => solveBoard(circuit, faults, state))
  const blown = new Set(used.flatMap((solved) => (solved.ok ? [...solved.blown] : [])))
  return {
    states: circuit.states.map((state, i) => {
      const solved = used[i]!
      // What was used up in one state is missing in all of them.
      const final = solved.ok && solved.blown.size === blown.size ? solved : undefined
      return final ? keyOfBoard(final, meter) : stateKey(circuit, faults, state, { meter, blown })
    }),
    isolated: isolatedRows(circuit, faults, meter, blown),
  }
}

export interface KeyOptions {
  readonly meter?: MeterType
  readonly blown?: ReadonlySet<string>
}

/** The key of one state; why there is none where the board finds no operating point. */
export function stateKey(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  { meter = workshopMeter, blown = aftermath(circuit, faults) }: KeyOptions = {},
): AnswerKey['states'][number] {
  const solved = solveBoard(circuit, faults, state, { blown })
  if (!solved.ok) return { ok: false, state, why: solved.why }
  return keyOfBoard(solved, meter)
}

function keyOfBoard(solved: SolvedBoard, meter: MeterType): StateKey {
  const { circuit, state, wiring } = solved.board
  const { ways, distinct, firsts } = waysOf(circuit)
  const expected = new Expectations(solved, meter)
  const rows = distinct.map((piece) => dropRow(solved, piece, expected))
  const supply = supplyOf(solved)
  const key: StateKey = {
    ok: true,
    state,
    points: wiring.points.map(({ name, title, node, inside }): PointRow => {
      const { value, band, extremes } = expected.volts(node, 0)
      const row = { name, title, node, inside, value, band }
      return extremes ? { ...row, extremes } : row
    }),
    drops: firsts.map((id) => rows[id]!),
    walks: ways.map(({ ids }) => ids.map((id) => rows[id]!)),
    balances: ways.map((way) => balance(solved, way, expected, supply)),
    notices: noticeAll(solved),
    blown: [...solved.blown],
    fuses: fuseRows(solved, expected, meter),
    places: placeRows(solved),
    scans: scanRows(solved),
    limitCycle: solved.limitCycle?.parts ?? [],
  }
  expected.release()
  boards.set(key, solved)
  return key
}

/** Pairs of nodes, each the ends of a stretch. */
type Runs = readonly (readonly [number, number])[]

/** A walk with all that the circuit alone decides about its readings. */
interface Way {
  readonly walk: Walk
  /** Numbers of its strides among those that differ. */
  readonly ids: readonly number[]
  readonly feed: Runs
  readonly load: Runs
  readonly back: Runs
  /** Where its load takes amps, and where the path itself begins. */
  readonly taking: readonly SegmentRef[]
}

/** A stride over a piece, by the piece's name. */
interface Piece {
  readonly stride: Stride
  readonly name: SegmentRef
}

/** The walks of all paths; they hang on the wiring alone. */
const waysOf = cached({ owner: wireUp }, (circuit: Circuit) => {
  const numbers = new Map<string, number>()
  const pieces = new Set<string>()
  const distinct: Piece[] = []
  /** The first stride over each piece, in the order in which the paths meet them. */
  const firsts: number[] = []
  const ways = walkPaths(circuit).map((walk): Way => {
    const { strides, points, load, own } = walk
    const ids = strides.map((stride) => {
      const name = nameOf(stride)
      const way = `${name} ${stride.forward} ${stride.side}`
      let id = numbers.get(way)
      if (id === undefined) {
        id = distinct.length
        numbers.set(way, id)
        distinct.push({ stride, name })
        if (!pieces.has(name)) firsts.push(id)
        pieces.add(name)
      }
      return id
    })
    const share = (side: Stride['side']): Runs =>
      runsOf(strides, side).map(([from, to]) => [points[from]!.node, points[to]!.node])
    const main = strides.findIndex((s) => s.part === load && s.side === 'load')
    const taking = [strides[main < 0 ? own : main]!, strides[own]!].map(nameOf)
    return { walk, ids, feed: share('feed'), load: share('load'), back: share('return'), taking }
  })
  return { ways, distinct, firsts }
})

const nameOf = ({ part, segment }: Stride): SegmentRef => refOf(part, segment.key)

function fuseRows(solved: SolvedBoard, expected: Expectations, meter: MeterType): FuseRow[] {
  const { model, wiring } = solved.board
  return model.partsWith('protects').flatMap(({ part, definition: { protects } }): FuseRow[] => {
    if (!protects.blade) return []
    const [a, b] = protects.blade.spots
    const volts = expected.volts(wiring.nodeOf(part.id, a), wiring.nodeOf(part.id, b))
    const rating = protects.rating(part.parameters, new Map())
    const type = protects.blade.body(part.parameters)
    return [
      { part: part.id, name: part.name, ...volts, ...ampsByFuse(type, rating, volts.value ?? 0, meter) },
    ]
  })
}

function placeRows(solved: SolvedBoard): PlaceRow[] {
  return solved.board.circuit.bundles.flatMap((bundle) =>
    bundle.places.map((place) => ({
      place: place.id,
      name: place.name,
      bundle: bundle.name || bundle.id,
      amps: clampAmps(solved, place.conductors),
      conductors: place.conductors.map((c) => ({ part: c.part, amps: clampAmps(solved, [c]) })),
    })),
  )
}

/** Of a board that switches to and fro, what a scan tool would catch in its first phase. */
function scanRows({ phases: [first] }: SolvedBoard): ScanPart[] {
  const { board, point } = first!
  return board.model.partsWith('scan').map(({ part, definition }) => {
    const { sense, around } = senseOf(board, point, part)
    return { part: part.id, rows: definition.scan(part.parameters, sense, around) }
  })
}

function dropRow(solved: SolvedBoard, { stride, name }: Piece, expected: Expectations): DropRow {
  const { part, segment, from, to, side } = stride
  const amps = solved.ampsOf(name)
  const { value, band, extremes } = expected.volts(from.node, to.node)
  const row: DropRow = {
    part,
    segment: segment.key,
    name: segment.name,
    from: from.name,
    to: to.name,
    side,
    amps: stride.forward ? amps : -amps,
    value,
    band,
  }
  return extremes ? { ...row, extremes } : row
}

function balance(
  solved: SolvedBoard,
  { walk, feed, load, back, taking }: Way,
  expected: Expectations,
  supply: number,
): Balance {
  const { points } = walk
  const source = solved.volts(points[0]!.node, points[points.length - 1]!.node) ?? Number.NaN
  let shares: number | undefined = 0
  for (const runs of [feed, load, back])
    for (const [a, b] of runs) {
      const share = solved.volts(a, b)
      shares = shares === undefined || share === undefined ? undefined : shares + share
    }
  return {
    path: walk.path.id,
    load: walk.load,
    source,
    supply,
    feedLoss: together(feed, expected),
    loadDrop: together(load, expected),
    returnLoss: together(back, expected),
    remainder: shares === undefined ? undefined : source - shares,
    // A branch that is switched off loses nothing, whatever flows in the load that it shares.
    amps: Math.min(...taking.map((segment) => Math.abs(solved.ampsOf(segment)))),
  }
}

/** What several stretches lose together, each measured by itself. */
function together(runs: readonly (readonly [number, number])[], expected: Expectations): Expected {
  const each = runs.map(([a, b]) => expected.volts(a, b))
  const [only] = each
  if (each.length === 1) return only!
  if (each.some(({ value }) => value === undefined)) return { value: undefined, band: 0 }
  return {
    value: each.reduce((sum, { value }) => sum + value!, 0),
    band: each.reduce((sum, { band }) => sum + band, 0),
  }
}

/** Volts of the highest source over its own return: what a share of the system is taken of. */
function supplyOf(solved: SolvedBoard): number {
  let most = 0
  for (const nodes of sourceNodes(solved.board.circuit))
    for (const a of nodes) for (const b of nodes) most = Math.max(most, solved.volts(a, b) ?? 0)
  return most
}

/** Nodes of all terminals of each source. */
const sourceNodes = cached({ owner: wireUp }, (circuit: Circuit) => {
  const { parts, wiring } = modelOf(circuit)
  return parts
    .filter(({ definition }) => definition.role === 'source')
    .map(({ part, definition }) => definition.terminals.map(({ key }) => wiring.nodeOf(part.id, key)))
})
