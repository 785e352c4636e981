import { type Message } from '../document'
import { buildBoard, inHand, partAlone, SolvedBoard, type Board } from '../board'
import { cached } from '../cache'
import { partIn, type Circuit, type CircuitState, type Part } from '../circuit'
import type { Fault } from '../faults'
import { modelOf, type ModelPart } from '../model'
import { readContinuity, readOhms, type Display, type MeterType } from '../instruments'
import { Solver } from '../solve'
import { partOfKind, type AnyPart, type TerminalKey, nameOfPart } from '../parts'

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
  const model = modelOf(circuit)
  const { rows, starts } = soundList(circuit, meter)
  const touched = new Set(blown)
  for (const { part, other } of faults) {
    touched.add(part)
    if (other) touched.add(partIn(other))
  }
  if (touched.size === 0) return rows.slice()
  const board = buildBoard(circuit, faults, isolatedState(circuit), { blown })
  const found: IsolatedRow[] = []
  let from = 0
  const copyTo = (end: number) => {
    while (from < end) found.push(rows[from++]!)
  }
  // Jumpers blow, too, and are no parts.
  const parts = [...touched].flatMap((id) => model.find(id) ?? [])
  for (const part of parts.sort((p, q) => p.index - q.index)) {
    copyTo(starts[part.index]!)
    found.push(...rowsOf(board, part, meter))
    from = starts[part.index + 1]!
  }
  copyTo(rows.length)
  return found
}

/** Rows of all parts of a circuit without a fault, and where each part's begin; one entry more for the end. */
const soundList = cached<
  [circuit: Circuit, meter: MeterType],
  { rows: readonly IsolatedRow[]; starts: readonly number[] }
>({ owner: (circuit) => circuit, key: (_, meter) => meter, most: 4 }, (circuit, meter) => {
  const rows: IsolatedRow[] = []
  const starts = [0]
  for (const part of modelOf(circuit).parts) {
    rows.push(...soundRows(part)(meter, circuit))
    starts.push(rows.length)
  }
  return { rows, starts }
})

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
  const alone = partAlone(board, part)
  if (!alone) return []
  const { solved } = alone
  return pairs
    .filter((pair) => pair.every((key) => reachable(definition, part, key)))
    .map(([from, to]) => {
      const a = alone.nodeOf(nodeIn(part.id, from))
      const b = alone.nodeOf(nodeIn(part.id, to))
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

/**
 * Ohms and continuity between any two points with the battery's clamps lifted and everything else as the state has it:
 * what a meter finds in the harness, side paths and all; of a part that is out and held by its own ends, that part alone.
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
  return pairs.map(([a, b]) => {
    const held = inHand(solved, a, b) ?? { solved, red: a, black: b }
    return {
      ohms: readOhms(held.solved, held.red, held.black, meter),
      continuity: readContinuity(held.solved, held.red, held.black, meter),
    }
  })
}
