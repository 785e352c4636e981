import { type Message } from '../document'
import { buildBoard, SolvedBoard, type Board } from '../board'
import { cached } from '../cache'
import { partIn, type Circuit, type CircuitState, type Part } from '../circuit'
import type { Fault } from '../faults'
import { modelOf, type ModelPart } from '../model'
import { readContinuity, readOhms, type Display, type MeterType } from '../instruments'
import { partOfKind, type AnyPart, type TerminalKey, nameOfPart } from '../parts'
import { Solver } from '../solve'

/** What an ohmmeter shows between two terminals with nothing else connected. */
export interface IsolatedRow {
  readonly part: string
  readonly name: Message
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
  const touched = new Set(faults.flatMap(({ part, other }) => (other ? [part, partIn(other)] : [part])))
  const state = isolatedState(circuit)
  let board: Board | undefined
  return modelOf(circuit).parts.flatMap((part) => {
    if (!touched.has(part.part.id) && !blown.has(part.part.id)) return soundRows(part)(meter, circuit)
    board ??= buildBoard(circuit, faults, state, { blown })
    return rowsOf(board, part, meter)
  })
}

/** Controls in their working position, everything plugged in. */
const isolatedState = cached({ owner: (circuit: Circuit) => circuit }, (circuit): CircuitState => ({
  id: 'isolated',
  name: 'isolated',
  controls: Object.fromEntries(
    modelOf(circuit)
      .partsWith('positions')
      .map(({ part, definition: { positions } }) => [part.id, positions[positions.length - 1]!]),
  ),
  detached: [],
}))

/** Rows of a part without faults, which no other part changes. */
const soundRows = cached({ owner: ({ part }: ModelPart) => part }, (part) =>
  cached<[meter: MeterType, circuit: Circuit], IsolatedRow[]>(
    { owner: (meter) => meter, key: (_, { temperature }) => temperature },
    (meter, circuit) => {
      const alone = { ...circuit, parts: [part.part], paths: [], bundles: [] }
      return rowsOf(buildBoard(alone, [], isolatedState(alone)), modelOf(alone).part(part.part.id), meter)
    },
  ),
)

function rowsOf(board: Board, { part, definition }: ModelPart, meter: MeterType): IsolatedRow[] {
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
  const solved = new SolvedBoard(lifted.board, point, solver)
  return pairs
    .filter((pair) => pair.every((key) => reachable(definition, part, key)))
    .map(([from, to]) => {
      const a = lifted.nodeOf(nodeIn(part.id, from))
      const b = lifted.nodeOf(nodeIn(part.id, to))
      return {
        part: part.id,
        name: nameOfPart(part),
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
  const board = buildBoard(circuit, faults, state, { blown })
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
  const solved = new SolvedBoard(dead, point, solver)
  return pairs.map(([a, b]) => ({
    ohms: readOhms(solved, a, b, meter),
    continuity: readContinuity(solved, a, b, meter),
  }))
}
