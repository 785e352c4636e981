import { stateSignature, type Circuit, type Part } from '../circuit'
import { modelOf } from '../model'
import { partOfKind, type AnyPart, type TerminalKey } from '../parts'
import { Solver } from '../solve'
import { movedMode, pullsOnBench } from './bench-source'
import { buildBoard, type Board } from './board'
import { SolvedBoard } from './solved-board'

/** A part by itself, with nothing around it. */
export interface PartAlone {
  readonly solved: SolvedBoard
  /** The node that one of the whole board's has here. */
  readonly nodeOf: (node: number) => number
}

/**
 * A network of one part's own elements, its nodes numbered afresh from 0; undefined where it finds no rest.
 * @param segments those that are looked at; all of the part unless said
 */
export function partAlone(
  board: Board,
  { id, kind }: Pick<Part, 'id' | 'kind'>,
  segments?: readonly string[],
): PartAlone | undefined {
  const numbers = new Map<number, number>()
  const nodeOf = (node: number) => {
    const known = numbers.get(node)
    if (known !== undefined) return known
    numbers.set(node, numbers.size)
    return numbers.size - 1
  }
  for (const { key } of partOfKind(kind).terminals) nodeOf(board.wiring.nodeOf(id, key))
  const elements = board.elements
    .filter(({ owner }) => owner.part === id && (!segments || segments.includes(owner.segment)))
    .map((e) => ({ ...e, a: nodeOf(e.a), b: nodeOf(e.b) }))
  const lifted = { ...board, elements, nodeCount: numbers.size }
  const solver = new Solver(lifted)
  const point = solver.solve()
  return point.ok ? { solved: new SolvedBoard(lifted, point, solver), nodeOf } : undefined
}

/** What of a part is in the hand when it is out, and which of its own ends stands for each that is named. */
export function handOf({ role, segments, detach }: Pick<AnyPart, 'role' | 'segments' | 'detach'>): {
  readonly segments: readonly string[]
  readonly pins: Readonly<Record<TerminalKey, TerminalKey>>
} {
  if (detach?.comesOut) return { pins: {}, ...detach.comesOut }
  const whole = detach !== undefined && (role === 'load' || role === 'control')
  return { segments: whole ? segments.map(({ key }) => key) : [], pins: {} }
}

/**
 * The part that two leads are held to, where it is out and both are on its own ends: it is measured in the hand, and
 * nothing around it counts.
 * @param red node
 * @param black node
 * @returns undefined where they are held to the circuit
 */
export function inHand(
  { board }: SolvedBoard,
  red: number,
  black: number,
):
  | { readonly part: string; readonly solved: SolvedBoard; readonly red: number; readonly black: number }
  | undefined {
  const { circuit, wiring, state } = board
  if (red === black) return undefined
  for (const id of state.detached) {
    const { part, definition } = modelOf(circuit).part(id)
    const { segments, pins } = handOf(definition)
    const ends = new Set(
      definition.segments.filter(({ key }) => segments.includes(key)).flatMap(({ between }) => between),
    )
    const endAt = (node: number): TerminalKey | undefined => {
      const named = definition.terminals
        .filter(({ key }) => wiring.nodeOf(id, key) === node)
        .map(({ key }) => pins[key] ?? key)
      return named.find((key) => ends.has(key))
    }
    const [from, to] = [endAt(red), endAt(black)]
    if (from === undefined || to === undefined || from === to) continue
    const alone = aloneOf(board, part, segments)
    if (!alone) return undefined
    const at = (key: TerminalKey) => alone.nodeOf(wiring.nodeOf(id, key))
    return { part: id, solved: alone.solved, red: at(from), black: at(to) }
  }
  return undefined
}

/**
 * A part in the hand by two of its own ends: the one that is out of this board, or the spare of the box.
 * @param ends keys of its terminals, or of those that stand for them
 * @returns undefined where it is not in the hand, or has no such ends
 */
export function heldInHand(
  { board }: SolvedBoard,
  id: string,
  [red, black]: readonly [TerminalKey, TerminalKey],
  spare: boolean,
): { readonly solved: SolvedBoard; readonly red: number; readonly black: number } | undefined {
  const { circuit, wiring, state, spares } = board
  const { part, definition } = modelOf(circuit).part(id)
  const { segments, pins } = handOf(definition)
  if (!segments.length || (!spare && !state.detached.includes(id))) return undefined
  const alone = spare
    ? aloneOf({ ...board, faults: spares, blown: new Set() }, part, segments)
    : aloneOf(board, part, segments)
  if (!alone) return undefined
  const at = (key: TerminalKey) => alone.nodeOf(wiring.nodeOf(id, pins[key] ?? key))
  return { solved: alone.solved, red: at(red), black: at(black) }
}

const alones = new WeakMap<Circuit, Map<string, PartAlone | undefined>>()
/** Parts in the hand that are remembered of one circuit. */
const most = 500

/** A part that is out of this board: what lies around it does not matter, only what is wrong with itself. */
function aloneOf(board: Board, part: Part, segments: readonly string[]): PartAlone | undefined {
  const { circuit, state, faults, blown, onSource } = board
  const own = faults.filter((fault) => fault.part === part.id && fault.other === undefined)
  const whole = { ...state, detached: state.detached.filter((one) => one !== part.id), bypassed: [] }
  let known = alones.get(circuit)
  if (!known) alones.set(circuit, (known = new Map()))
  const key = JSON.stringify([
    part.id,
    own,
    blown.has(part.id),
    onSource.includes(part.id),
    stateSignature(circuit, whole),
  ])
  if (known.has(key)) return known.get(key)
  if (known.size >= most) known.clear()
  const rest = buildBoard(circuit, own, whole, { blown })
  const moved = onSource.includes(part.id) && pullsOnBench(rest, part.id) ? movedMode(part.kind) : undefined
  const held = moved
    ? buildBoard(circuit, own, whole, { blown, modes: new Map([...rest.modes, [part.id, moved]]) })
    : rest
  const alone = partAlone(held, part, segments)
  known.set(key, alone)
  return alone
}
