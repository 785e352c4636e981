import { wireUp, type Circuit, type CircuitState } from '../circuit'
import type { Fault } from '../faults'
import { functionOf, workshopMeter, type MeterType, type Reading } from '../instruments'
import { partOfKind } from '../parts'
import {
  aftermath,
  buildBoard,
  type Board,
  noticeAll,
  segmentAmps,
  solveBoard,
  voltsBetween,
  type Noticed,
  type SolvedBoard,
} from './board'
import { expectedVolts, type Expected } from './expected'
import { walkPath, type Stride, type Walk } from './walk'
import { Solver } from '../solve'

export interface PointRow extends Expected {
  readonly name: string
  readonly title: string
  readonly node: number
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
}

export interface IsolatedRow {
  readonly part: string
  readonly name: string
  readonly between: string
  readonly ohms: Reading
  readonly continuity: Reading
}

export interface AnswerKey {
  readonly states: readonly (StateKey | { ok: false; state: CircuitState; message: string })[]
  readonly isolated: readonly IsolatedRow[]
}

/** The full answer key: every state's readings, and each part by itself on the ohmmeter. */
export function answerKey(
  circuit: Circuit,
  faults: readonly Fault[],
  meter: MeterType = workshopMeter,
): AnswerKey {
  const wiring = wireUp(circuit)
  const blown = aftermath(circuit, faults, wiring)
  return {
    states: circuit.states.map((state) => stateKey(circuit, faults, state, { meter, blown, wiring })),
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
  const solved = solveBoard(
    circuit,
    faults,
    state,
    options.blown ?? aftermath(circuit, faults, wiring),
    wiring,
  )
  if (!solved.ok) return { ok: false, state, message: solved.message }
  const walks = circuit.paths.map((path) => walkPath(circuit, wiring, path))
  const along = walks.map((walk) => walk.strides.map((stride) => dropRow(solved, stride, meter)))
  return {
    ok: true,
    state,
    points: wiring.points.map((point) => ({
      name: point.name,
      title: point.title,
      node: point.node,
      ...expectedVolts(solved, point.node, 0, meter),
    })),
    drops: onceEach(along.flat()),
    walks: along,
    balances: walks.map((walk) => balance(solved, walk, meter)),
    notices: noticeAll(solved),
    blown: [...solved.blown],
  }
}

/** Paths share pieces: the first to meet one lists it. */
function onceEach(rows: readonly DropRow[]): DropRow[] {
  const met = new Map(rows.map((row) => [`${row.part}.${row.segment}`, row] as const).reverse())
  return rows.filter((row) => met.get(`${row.part}.${row.segment}`) === row)
}

function dropRow(solved: SolvedBoard, stride: Stride, meter: MeterType): DropRow {
  const { board, point } = solved
  const [p] = stride.segment.between
  const amps = segmentAmps(board, point, stride.part, stride.segment.key)
  return {
    part: stride.part,
    segment: stride.segment.key,
    name: stride.segment.name,
    from: stride.from.name,
    to: stride.to.name,
    side: stride.side,
    amps: board.wiring.nodeOf(stride.part, p) === stride.from.node ? amps : -amps,
    ...expectedVolts(solved, stride.from.node, stride.to.node, meter),
  }
}

function balance(solved: SolvedBoard, walk: Walk, meter: MeterType): Balance {
  const { strides, points, load } = walk
  const start = points[0]!.node
  const end = points[points.length - 1]!.node
  const firstLoad = strides.findIndex((s) => s.side === 'load')
  const lastLoad = strides.findLastIndex((s) => s.side === 'load')
  const into = firstLoad < 0 ? end : points[firstLoad]!.node
  const outOf = lastLoad < 0 ? end : points[lastLoad + 1]!.node
  const feedLoss = expectedVolts(solved, start, into, meter)
  const loadDrop = expectedVolts(solved, into, outOf, meter)
  const returnLoss = expectedVolts(solved, outOf, end, meter)
  const source = voltsBetween(solved, start, end) ?? Number.NaN
  const shares = [
    voltsBetween(solved, start, into),
    voltsBetween(solved, into, outOf),
    voltsBetween(solved, outOf, end),
  ]
  const loadStride = strides[Math.max(0, firstLoad)]!
  return {
    path: walk.path.id,
    load,
    source,
    feedLoss,
    loadDrop,
    returnLoss,
    remainder: shares.every((s) => s !== undefined)
      ? source - shares.reduce((sum, s) => sum! + s!, 0)!
      : undefined,
    amps: Math.abs(segmentAmps(solved.board, solved.point, loadStride.part, loadStride.segment.key)),
  }
}

/** Every part lifted out of the circuit, its controls in their working position, on the ohmmeter. */
function isolatedRows(
  circuit: Circuit,
  faults: readonly Fault[],
  meter: MeterType,
  blown: ReadonlySet<string>,
): IsolatedRow[] {
  const working = Object.fromEntries(
    circuit.parts.flatMap((part) => {
      const positions = partOfKind(part.kind).positions
      return positions ? [[part.id, positions[positions.length - 1]!]] : []
    }),
  )
  const state: CircuitState = { id: 'isolated', name: 'isolated', controls: working, detached: [] }
  const board = buildBoard(circuit, faults, state, blown)
  return circuit.parts.flatMap((part) => {
    const definition = partOfKind(part.kind)
    // The cells of a battery are never put on an ohmmeter.
    if (definition.role === 'source') return []
    const [enter, leave] = definition.load ?? definition.through
    const lifted = liftOut(
      board,
      part.id,
      definition.terminals.map((t) => board.wiring.nodeOf(part.id, t.key)),
    )
    const solver = new Solver(lifted.board)
    const point = solver.solve()
    if (!point.ok) return []
    const alone: SolvedBoard = { ok: true, board: lifted.board, point, solver, blown }
    const a = lifted.nodeOf(board.wiring.nodeOf(part.id, enter))
    const b = lifted.nodeOf(board.wiring.nodeOf(part.id, leave))
    return [
      {
        part: part.id,
        name: part.name || definition.title,
        between: `${part.id}${suffixOf(definition, enter)} – ${part.id}${suffixOf(definition, leave)}`,
        ohms: functionOf('ohms').read(alone, a, b, meter),
        continuity: functionOf('continuity').read(alone, a, b, meter),
      },
    ]
  })
}

/** A network of one part's own elements, its nodes numbered afresh from 0. */
function liftOut(
  board: Board,
  part: string,
  terminals: readonly number[],
): { board: Board; nodeOf: (node: number) => number } {
  const numbers = new Map<number, number>()
  const nodeOf = (node: number) => {
    const known = numbers.get(node)
    if (known !== undefined) return known
    numbers.set(node, numbers.size)
    return numbers.size - 1
  }
  terminals.forEach(nodeOf)
  const elements = board.elements
    .filter((e) => e.owner.part === part)
    .map((e) => ({ ...e, a: nodeOf(e.a), b: nodeOf(e.b) }))
  return { board: { ...board, elements, nodeCount: numbers.size }, nodeOf }
}

const suffixOf = (definition: ReturnType<typeof partOfKind>, key: string) =>
  definition.terminals.find((t) => t.key === key)!.suffix
