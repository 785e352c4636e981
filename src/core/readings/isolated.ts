import { buildBoard, type Board, type SolvedBoard } from '../board'
import { wireUp } from '../model'
import { type Circuit, type CircuitState, type Part } from '../circuit'
import type { Fault } from '../faults'
import { readContinuity, readOhms, type Display, type MeterType } from '../instruments'
import { partOfKind, type AnyPart, type TerminalKey } from '../parts'
import { Solver } from '../solve'

/** What an ohmmeter shows between two terminals with nothing else connected. */
export interface IsolatedRow {
  readonly part: string
  readonly name: string
  readonly between: string
  readonly ohms: Display
  readonly continuity: Display
}

/**
 * Every part lifted out of the circuit, its controls in their working position and its relays at rest, on the ohmmeter.
 * A part without faults reads as it always did: its rows are kept.
 */
export function isolatedRows(
  circuit: Circuit,
  faults: readonly Fault[],
  meter: MeterType,
  blown: ReadonlySet<string>,
): IsolatedRow[] {
  const controls = Object.fromEntries(
    circuit.parts.flatMap((part) => {
      const positions = partOfKind(part.kind).positions
      return positions ? [[part.id, positions[positions.length - 1]!]] : []
    }),
  )
  const state: CircuitState = { id: 'isolated', name: 'isolated', controls, detached: [] }
  let board: Board | undefined
  return circuit.parts.flatMap((part) => {
    const touched = faults.some((f) => f.part === part.id || f.other?.split('.')[0] === part.id)
    if (touched || blown.has(part.id)) {
      board ??= buildBoard(circuit, faults, state, { blown })
      return rowsOf(board, part, meter)
    }
    const known = kept.get(part)
    if (known?.meter === meter && known.temperature === circuit.temperature) return known.rows
    const rows = rowsOf(buildBoard(alone(circuit, part), [], state), part, meter)
    kept.set(part, { meter, temperature: circuit.temperature, rows })
    return rows
  })
}

const kept = new WeakMap<Part, { meter: MeterType; temperature: number; rows: IsolatedRow[] }>()

const alone = (circuit: Circuit, part: Part): Circuit => ({
  ...circuit,
  parts: [part],
  paths: [],
  bundles: [],
})

function rowsOf(board: Board, part: Part, meter: MeterType): IsolatedRow[] {
  const definition = partOfKind(part.kind)
  // The cells of a battery are never put on an ohmmeter.
  if (definition.role === 'source') return []
  const pairs = definition.benchPairs ?? [definition.through]
  const { nodeOf: nodeIn } = board.wiring
  const lifted = liftOut(
    board,
    part.id,
    definition.terminals.map((t) => nodeIn(part.id, t.key)),
  )
  const solver = new Solver(lifted.board)
  const point = solver.solve()
  if (!point.ok) return []
  const solved: SolvedBoard = { ok: true, board: lifted.board, point, solver, blown: board.blown }
  return pairs
    .filter((pair) => pair.every((key) => reachable(definition, part, key)))
    .map(([from, to]) => {
      const a = lifted.nodeOf(nodeIn(part.id, from))
      const b = lifted.nodeOf(nodeIn(part.id, to))
      return {
        part: part.id,
        name: part.name || definition.title,
        between: `${nameOf(definition, part, from)} – ${nameOf(definition, part, to)}`,
        ohms: readOhms(solved, a, b, meter),
        continuity: readContinuity(solved, a, b, meter),
      }
    })
}

/** A four-pin relay, say, has no break contact to measure. */
const reachable = (definition: AnyPart, part: Part, key: TerminalKey): boolean =>
  !definition.absent?.(part.parameters).includes(key)

function nameOf(definition: AnyPart, part: Part, key: TerminalKey): string {
  const { suffix } = definition.terminals.find((t) => t.key === key)!
  return part.id + (definition.suffixes?.(part.parameters)[key] ?? suffix)
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

/**
 * Ohms and continuity between any two points with the battery's clamps lifted and everything else as the state has it:
 * what a meter finds in the harness, side paths and all.
 */
export function deadRows(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  pairs: readonly (readonly [number, number])[],
  meter: MeterType,
  blown: ReadonlySet<string>,
): { readonly ohms: Display; readonly continuity: Display }[] {
  const sources = circuit.parts.filter((part) => partOfKind(part.kind).role === 'source').map((p) => p.id)
  const board = buildBoard(circuit, faults, state, { blown, wiring: wireUp(circuit) })
  const dead: Board = {
    ...board,
    elements: board.elements.map((e) =>
      sources.includes(e.owner.part)
        ? { type: 'resistor', a: e.a, b: e.b, ohms: Infinity, owner: e.owner }
        : e,
    ),
  }
  const solver = new Solver(dead)
  const point = solver.solve()
  if (!point.ok) return []
  const solved: SolvedBoard = { ok: true, board: dead, point, solver, blown }
  return pairs.map(([a, b]) => ({
    ohms: readOhms(solved, a, b, meter),
    continuity: readContinuity(solved, a, b, meter),
  }))
}
