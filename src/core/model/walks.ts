import { cached } from '../cache'
import { partIn, splitRef, type Circuit, type CircuitPath } from '../circuit'
import { partOfKind, routeThrough, type AnyPart, type Segment } from '../parts'
import type { Point, Wiring } from './wiring'

/** One piece of the way from supply to return, between two neighbouring points. */
export interface Stride {
  /** It runs from the segment's first terminal to its second. */
  readonly forward: boolean
  readonly part: string
  readonly segment: Segment
  readonly from: Point
  readonly to: Point
  readonly side: 'feed' | 'load' | 'return'
}

export interface Walk {
  readonly path: CircuitPath
  /** Battery + first, battery − last; one more than strides. */
  readonly points: readonly Point[]
  readonly strides: readonly Stride[]
  /** First of the strides that are the path's own: before it, it runs along others. */
  readonly own: number
  /** The load that the path runs through, if it has one. */
  readonly load: string | undefined
}

/** Every path's walk, in the order of the circuit. They hang on the wiring alone: a value that is changed changes no way. */
export const walksOf = cached<[circuit: Circuit, wiring: Wiring], readonly Walk[]>(
  { owner: (_, wiring) => wiring },
  (circuit, wiring) => {
    const table = stepsOfAll(circuit, wiring)
    const kinds = kindsOf(circuit)
    return circuit.paths.map((path) => walkAmong(circuit, kinds, table, path))
  },
)

type Kinds = ReadonlyMap<string, AnyPart>
const kindsOf = (circuit: Circuit): Kinds =>
  new Map(circuit.parts.map((part) => [part.id, partOfKind(part.kind)]))

type Table = ReadonlyMap<CircuitPath, readonly Step[]>

const stepsOfAll = (circuit: Circuit, wiring: Wiring): Table => {
  const kinds = kindsOf(circuit)
  const at = new Map(wiring.points.map((point) => [point.node, point]))
  return new Map(circuit.paths.map((path) => [path, stepsOf(wiring, path, kinds, at)]))
}

function walkAmong(circuit: Circuit, kinds: Kinds, table: Table, path: CircuitPath): Walk {
  const others = circuit.paths.filter((other) => other !== path)
  const own = table.get(path)!
  const first = own[0]
  const last = own[own.length - 1]
  const [ender, endKey] = splitRef(path.to)
  // From an alternator the way begins there; at a battery's post it ends.
  const begins = kinds.get(partIn(path.from))?.generates ?? false
  const ends = kinds.get(ender)?.role === 'source'
  const lead = first && !begins ? leadUp(table, others, first.from.node) : []
  const tail = last && !ends ? leadDown(table, others, last.to.node) : []
  const way: readonly Step[] = [...lead, ...own, ...tail]
  const strides =
    begins && ends && endKey === 'n'
      ? way.map((piece): Stride => ({ ...piece, side: 'return' }))
      : tellSides(kinds, way, own)
  const points = strides.length ? [strides[0]!.from, ...strides.map((s) => s.to)] : []
  return { path, points, strides, own: lead.length, load: loadOf(kinds, strides) }
}

/** What the path is there for: of what takes volts, what is no mere step on the way. */
function loadOf(kinds: Kinds, strides: readonly Stride[]): string | undefined {
  const taking = strides.filter((s) => s.side === 'load')
  return (taking.find((s) => kinds.get(s.part)!.loads?.includes(s.segment.key)) ?? taking[0])?.part
}

type Step = Omit<Stride, 'side'>

/** The pieces of one path alone, from its first terminal to its last; a battery's clamps belong to the way. */
function stepsOf(wiring: Wiring, path: CircuitPath, kinds: Kinds, at: ReadonlyMap<number, Point>): Step[] {
  const pointOf = (part: string, key: string) => at.get(wiring.nodeOf(part, key))!
  const found: Step[] = []
  const pass = (part: string, enter: string, leave: string) => {
    const { terminals, segments } = routeThrough(kinds.get(part)!, enter, leave)
    segments.forEach((segment, k) => {
      const from = pointOf(part, terminals[k]!)
      const forward = segment.between[0] === terminals[k]
      found.push({ part, segment, forward, from, to: pointOf(part, terminals[k + 1]!) })
    })
  }
  const isSource = (id: string) => kinds.get(id)?.role === 'source'
  const [first, firstKey] = splitRef(path.from)
  const [last, lastKey] = splitRef(path.to)
  // A post is where the trade takes its source voltage.
  if (isSource(first) && firstKey === 'p') pass(first, 'pos', 'p')
  for (const step of path.steps) {
    const definition = kinds.get(step.part)!
    pass(step.part, step.enter ?? definition.through[0], step.leave ?? definition.through[1])
  }
  if (isSource(last) && lastKey === 'n') pass(last, 'n', 'neg')
  if (isSource(last) && lastKey === 'p') pass(last, 'p', 'pos')
  return found
}

/** The way from the battery to `node`, along the first other path that passes it. */
function leadUp(table: Table, others: readonly CircuitPath[], node: number): Step[] {
  for (const path of others) {
    const way = table.get(path)!
    const reached = way.findIndex((piece) => piece.to.node === node)
    if (reached < 0) continue
    const rest = others.filter((other) => other !== path)
    return [...leadUp(table, rest, way[0]!.from.node), ...way.slice(0, reached + 1)]
  }
  return []
}

/** The way from `node` back to the battery, along the first other path that passes it. */
function leadDown(table: Table, others: readonly CircuitPath[], node: number): Step[] {
  for (const path of others) {
    const way = table.get(path)!
    const left = way.findIndex((piece) => piece.from.node === node)
    if (left < 0) continue
    const rest = others.filter((other) => other !== path)
    return [...way.slice(left), ...leadDown(table, rest, way[way.length - 1]!.to.node)]
  }
  return []
}

/**
 * The path's own first load is the load (or, where it has none, the first on the whole way; or what only takes volts):
 * before it is feed, after it return. What is meant to take volts beside it is on neither side: a step resistor loses nothing.
 */
function tellSides(kinds: Kinds, way: readonly Step[], own: readonly Step[]): Stride[] {
  const among = (which: 'loads' | 'steps') => (piece: Step) =>
    kinds.get(piece.part)![which]?.includes(piece.segment.key) ?? false
  const [isLoad, isStep] = [among('loads'), among('steps')]
  const load = (own.find(isLoad) ?? way.find(isLoad) ?? own.find(isStep))?.part
  let side: Stride['side'] = 'feed'
  return way.map((piece) => {
    const is = piece.part === load && (isLoad(piece) || isStep(piece))
    if (is) side = 'return'
    return { ...piece, side: is || isStep(piece) ? 'load' : side }
  })
}

/** The pieces of one side, run by run, as they follow each other. */
export function runsOf(
  strides: readonly Stride[],
  side: Stride['side'],
): (readonly [from: number, to: number])[] {
  const runs: [number, number][] = []
  strides.forEach((stride, i) => {
    if (stride.side !== side) return
    const last = runs[runs.length - 1]
    if (last?.[1] === i) last[1] = i + 1
    else runs.push([i, i + 1])
  })
  return runs
}
