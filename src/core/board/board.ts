import { cached } from '../cache'
import { refOf, splitRef, type Circuit, type CircuitState, type SegmentRef } from '../circuit'
import type { Fault } from '../faults'
import { modelOf, type Model, type Wiring } from '../model'
import type { Sense, Surroundings } from '../parts'
import type { Element, Network, OperatingPoint } from '../solve'
import { soundBoardsOf } from './sound'
import { stampPart, surroundings, type Owned } from './stamp'
import { strikeAll, struckParts, withStruck } from './struck'

/** A circuit with its faults in one state, as a network; what an instrument adds its own elements to. */
export interface Board extends Network {
  readonly circuit: Circuit
  readonly model: Model
  readonly state: CircuitState
  readonly wiring: Wiring
  /** What each part that switches by itself has switched to, by part id. */
  readonly modes: ReadonlyMap<string, string>
  readonly faults: readonly Fault[]
  readonly blown: ReadonlySet<string>
  /** First of a part's elements, by part id and by `part.segment`; an element that is open stands for an open segment. */
  readonly firstElement: ElementIndex
  /** Nodes inside parts, by `part#name`. */
  readonly inner: ReadonlyMap<string, number>
  /** The same without a fault and with nothing connected: its elements are one list as long as nothing else changes. */
  readonly sound: Network
  /** What is connected from outside. */
  readonly attached: readonly Attachment[]
  /** What is wrong with spares of the box, each by the part in whose place it goes. */
  readonly spares: readonly Fault[]
  /** Parts that are out and whose coil is fed on the bench. */
  readonly onSource: readonly string[]
}

/** The place of an element by name. */
export interface ElementIndex {
  get(name: string): number | undefined
}

/** Something connected from outside between two nodes: an instrument, a jumper, a load. */
export type Attachment = (freshNode: () => number) => readonly Element[]

export interface BoardOptions {
  /** Fuses that have already melted. */
  readonly blown?: ReadonlySet<string>
  readonly modes?: ReadonlyMap<string, string>
  readonly attached?: readonly Attachment[]
  readonly spares?: readonly Fault[]
  readonly onSource?: readonly string[]
}

const nothing: ReadonlySet<string> = new Set()

/** A fused jumper's own ohms: a metre of 2.5 mm² and two clips (common practice, no source). */
const jumperOhms = 0.015

/**
 * What a state's jumpers are called among what carries current and what blows.
 * @param i place in the state's list, from 0
 */
export const jumperName = (i: number): string => `jumper${i + 1}`

/** Builds the network. Every segment has at least one element: one that is open has infinite ohms. */
export function buildBoard(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  {
    blown = nothing,
    modes = restModes(circuit),
    attached = [],
    spares = [],
    onSource = [],
  }: BoardOptions = {},
): Board {
  const model = modelOf(circuit)
  const { wiring } = model
  const sound = soundBoardsOf(circuit)(state, blown, modes)
  const board = { circuit, model, state, wiring, sound, modes, faults, blown, attached, spares, onSource }
  if (faults.length === 0 && attached.length === 0 && !state.bypassed?.length) return { ...board, ...sound }
  let { nodeCount, inner } = sound
  const freshNode = () => nodeCount++
  const struck = new Map<string, Owned>()
  if (faults.length) {
    for (const part of struckParts(model, faults)) {
      const around = surroundings({ circuit, faults, state, blown, modes }, part)
      // Equations that know the fault may need a node of their own, beside those of the sound part.
      const own = new Map(inner)
      struck.set(part.part.id, stampPart(part, around, wiring, own, freshNode))
      if (own.size > inner.size) inner = own
    }
    strikeAll(model, faults, state, struck, freshNode)
  }
  const { elements, firstElement } = struck.size ? withStruck(model, sound, struck) : sound
  const all = struck.size ? elements : elements.slice()
  for (const [i, ends] of (state.bypassed ?? []).entries()) {
    // One whose fuse has gone joins nothing.
    if (blown.has(jumperName(i))) continue
    const [a, b] = ends.map((end) => wiring.nodeOf(...splitRef(end))) as [number, number]
    all.push({
      type: 'resistor',
      a,
      b,
      ohms: jumperOhms,
      tolerance: 0.3,
      owner: { part: '', segment: jumperName(i) },
    })
  }
  for (const attach of attached) all.push(...attach(freshNode))
  return { ...board, elements: all, nodeCount, firstElement, inner }
}

/** Every part that switches by itself, at rest. */
export const restModes = cached(
  { owner: (circuit: Circuit) => circuit },
  (circuit): ReadonlyMap<string, string> =>
    new Map(
      modelOf(circuit)
        .partsWith('modes')
        .map(({ part, definition }) => [part.id, definition.modes.rest]),
    ),
)

/** What a part on a solved board feels, and where it stands: for what it switches to and what a scan tool shows. */
export function senseOf(
  board: Board,
  point: OperatingPoint,
  { id }: { readonly id: string },
): { sense: Sense; around: Surroundings } {
  const node = (key: string) =>
    key.startsWith('#') ? (board.inner.get(id + key) ?? 0) : board.wiring.nodeOf(id, key)
  return {
    sense: {
      volts: (a, b) => {
        const [p, q] = [node(a), node(b)]
        return point.island[p] === point.island[q] ? point.voltage[p]! - point.voltage[q]! : 0
      },
      amps: (segment) => segmentAmps(board, point, id, segment),
    },
    around: surroundings(board, board.model.part(id)),
  }
}

/**
 * Amps through a segment, from its first terminal to its second; 0 where it is open.
 * @returns A, positive from the first terminal to the second
 */
export const segmentAmps = (
  board: Pick<Board, 'firstElement'>,
  point: OperatingPoint,
  part: string,
  segment: string,
): number => ampsOf(board, point, refOf(part, segment))

/** The same for a segment by its name. */
export function ampsOf(
  { firstElement }: Pick<Board, 'firstElement'>,
  { current }: OperatingPoint,
  segment: SegmentRef,
): number {
  const i = firstElement.get(segment)
  return i === undefined ? 0 : current[i]!
}
