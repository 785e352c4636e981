import type { Message } from '../document'
import { wireUp, type Wiring, runsOf, walkPaths, type Stride, type Walk } from '../model'
import { type Circuit, type CircuitState } from '../circuit'
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
import { partOfKind, type ScanRow } from '../parts'
import {
  aftermath,
  meanAmps,
  noticeAll,
  phasesOf,
  senseOf,
  solveBoard,
  voltsBetween,
  type Noticed,
  type SolvedBoard,
} from '../board'
import { isolatedRows, type IsolatedRow } from './isolated'

export interface PointRow extends Expected {
  readonly name: string
  readonly title: string
  readonly node: number
  /** Inside a housing: reckoned with, but no lead can reach it. */
  readonly inside: boolean
}

export interface DropRow extends Expected {
  readonly part: string
  readonly segment: string
  readonly name: string
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
  readonly swings: readonly string[]
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
  const wiring = wireUp(circuit)
  const used = circuit.states.map((state) => solveBoard(circuit, faults, state, { wiring }))
  const blown = new Set(used.flatMap((solved) => (solved.ok ? [...solved.blown] : [])))
  return {
    states: circuit.states.map((state, i) => {
      const solved = used[i]!
      // What was used up in one state is missing in all of them.
      const final = solved.ok && solved.blown.size === blown.size ? solved : undefined
      return final
        ? keyOfBoard(circuit, state, final, wiring, meter)
        : stateKey(circuit, faults, state, { meter, blown, wiring })
    }),
    isolated: isolatedRows(circuit, faults, meter, blown),
  }
}

export interface KeyOptions {
  readonly meter?: MeterType
  readonly blown?: ReadonlySet<string>
  readonly wiring?: ReturnType<typeof wireUp>
}

export function stateKey(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  options: KeyOptions = {},
): AnswerKey['states'][number] {
  const wiring = options.wiring ?? wireUp(circuit)
  const meter = options.meter ?? workshopMeter
  const blown = options.blown ?? aftermath(circuit, faults, wiring)
  const solved = solveBoard(circuit, faults, state, { blown, wiring })
  if (!solved.ok) return { ok: false, state, why: solved.why }
  return keyOfBoard(circuit, state, solved, wiring, meter)
}

function keyOfBoard(
  circuit: Circuit,
  state: CircuitState,
  solved: SolvedBoard,
  wiring: Wiring,
  meter: MeterType,
): StateKey {
  const { walks, distinct, ids, firsts } = walksOf(circuit, wiring)
  const expected = new Expectations(solved, meter)
  const rows = distinct.map((stride) => dropRow(solved, stride, expected))
  const supply = supplyOf(solved)
  const key: StateKey = {
    ok: true,
    state,
    points: wiring.points.map((point) => ({
      name: point.name,
      title: point.title,
      node: point.node,
      inside: point.inside,
      ...expected.volts(point.node, 0),
    })),
    drops: firsts.map((id) => rows[id]!),
    walks: ids.map((list) => list.map((id) => rows[id]!)),
    balances: walks.map((walk) => balance(solved, walk, expected, supply)),
    notices: noticeAll(solved),
    blown: [...solved.blown],
    fuses: fuseRows(solved, expected, meter),
    places: placeRows(solved),
    scans: scanRows(solved),
    swings: solved.swing?.parts ?? [],
  }
  expected.release()
  boards.set(key, solved)
  return key
}

/** The walks of all paths, with the pieces that they share told once. */
interface Walks {
  readonly walks: readonly Walk[]
  readonly distinct: readonly Stride[]
  /** Per walk, the numbers of its strides among `distinct`. */
  readonly ids: readonly (readonly number[])[]
  /** The first stride over each piece, in the order in which the paths meet them. */
  readonly firsts: readonly number[]
}

const walksKept = new WeakMap<Wiring, Walks>()

/** They depend on the wiring alone, and are kept with it. */
function walksOf(circuit: Circuit, wiring: Wiring): Walks {
  const known = walksKept.get(wiring)
  if (known) return known
  const walks = walkPaths(circuit)
  const numbers = new Map<string, number>()
  const pieces = new Set<string>()
  const distinct: Stride[] = []
  const firsts: number[] = []
  const ids = walks.map((walk) =>
    walk.strides.map((stride) => {
      const piece = `${stride.part}.${stride.segment.key}`
      const name = `${piece} ${stride.forward} ${stride.side}`
      let id = numbers.get(name)
      if (id === undefined) {
        id = distinct.length
        numbers.set(name, id)
        distinct.push(stride)
        if (!pieces.has(piece)) firsts.push(id)
        pieces.add(piece)
      }
      return id
    }),
  )
  const found = { walks, distinct, ids, firsts }
  walksKept.set(wiring, found)
  return found
}

function fuseRows(solved: SolvedBoard, expected: Expectations, meter: MeterType): FuseRow[] {
  const { circuit, wiring } = solved.board
  return circuit.parts.flatMap((part): FuseRow[] => {
    const { protects } = partOfKind(part.kind)
    if (!protects?.blade) return []
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

/** A board that swings shows what a scan tool would catch in its first phase. */
function scanRows(solved: SolvedBoard): ScanPart[] {
  const { board, point } = phasesOf(solved)[0]!
  return board.circuit.parts.flatMap((part) => {
    const { scan } = partOfKind(part.kind)
    if (!scan) return []
    const { sense, around } = senseOf(board, point, part)
    return [{ part: part.id, rows: scan(part.parameters, sense, around) }]
  })
}

function dropRow(solved: SolvedBoard, stride: Stride, expected: Expectations): DropRow {
  const amps = meanAmps(solved, stride.part, stride.segment.key)
  return {
    part: stride.part,
    segment: stride.segment.key,
    name: stride.segment.name,
    from: stride.from.name,
    to: stride.to.name,
    side: stride.side,
    amps: stride.forward ? amps : -amps,
    ...expected.volts(stride.from.node, stride.to.node),
  }
}

function balance(solved: SolvedBoard, walk: Walk, expected: Expectations, supply: number): Balance {
  const { strides, points, load } = walk
  const node = (i: number) => points[i]!.node
  const share = (side: Stride['side']) =>
    runsOf(strides, side).map(([from, to]) => [node(from), node(to)] as const)
  const [feed, taken, back] = [share('feed'), share('load'), share('return')]
  const source = voltsBetween(solved, node(0), node(points.length - 1)) ?? Number.NaN
  const shares = [...feed, ...taken, ...back].map(([a, b]) => voltsBetween(solved, a, b))
  const main = strides.findIndex((s) => s.part === load && s.side === 'load')
  // A branch that is switched off loses nothing, whatever flows in the load that it shares.
  const amps = [strides[main < 0 ? walk.own : main]!, strides[walk.own]!].map(({ part, segment }) =>
    Math.abs(meanAmps(solved, part, segment.key)),
  )
  return {
    path: walk.path.id,
    load,
    source,
    supply,
    feedLoss: together(feed, expected),
    loadDrop: together(taken, expected),
    returnLoss: together(back, expected),
    remainder: shares.every((s) => s !== undefined)
      ? source - shares.reduce((sum, s) => sum! + s!, 0)!
      : undefined,
    amps: Math.min(...amps),
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
  const { circuit, wiring } = solved.board
  const volts = circuit.parts.flatMap(({ id, kind }) => {
    const { role, terminals } = partOfKind(kind)
    if (role !== 'source') return []
    const nodes = terminals.map(({ key }) => wiring.nodeOf(id, key))
    return nodes.flatMap((a) => nodes.map((b) => voltsBetween(solved, a, b) ?? 0))
  })
  return Math.max(0, ...volts)
}
