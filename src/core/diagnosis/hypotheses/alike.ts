import { partIn, refOf, splitRef, type CircuitState, type SegmentRef } from '../../circuit'
import type { Board } from '../../board'
import { faultOfKind, type Fault } from '../../faults'
import type { Place } from '../../instruments'
import { modelOf, type Model } from '../../model'
import { untouched, type Fact } from '../evidence/fact'
import type { Hypothesis } from './hypothesis'

/** Which segments lie in series with each other, by a number that they share; what is missing lies in series with none. */
type Chains = ReadonlyMap<SegmentRef, number>

/**
 * Hypotheses that nothing known so far can tell apart. A resistance or a break in series with others carries the same
 * current wherever it sits among them, and all volts are the same but those taken between two such places: one is worked
 * out for all of them.
 */
export class Alike {
  private constructor(
    /** By the index of the hypothesis; 0 for one that is like no other. */
    private readonly groups: Int32Array,
  ) {}

  /** Before anything is known: what is of one kind and has the same sizes. */
  static of(circuit: Board['circuit'], hypotheses: readonly Hypothesis[]): Alike {
    const model = modelOf(circuit)
    const number = numbered()
    return new Alike(
      Int32Array.from(hypotheses, ({ fault, beside, company, grid, plantedAt }) =>
        // Beside what leads current away it matters where a fault stands.
        fault && isPassive(model, fault) && (!beside || faultOfKind(beside.kind).inLine)
          ? number(`${fault.kind} ${fault.cold} ${company} ${plantedAt} ${grid.join()}`)
          : 0,
      ),
    )
  }

  /**
   * What is still alike once a fact is known.
   * @param board the sound board in the state of the fact; undefined where it has no answer
   */
  after(fact: Fact, board: Board | undefined, hypotheses: readonly Hypothesis[]): Alike {
    const touched = board && touchedBy(fact, board)
    if (!board || !touched) return new Alike(new Int32Array(this.groups.length))
    const chains = new Map<number, Chains>()
    const number = numbered()
    const groups = this.groups.map((group, i) => {
      const { fault, beside, company } = hypotheses[i]!
      if (group === 0 || !fault) return 0
      let own = chains.get(company)
      if (!own) {
        const nodes = beside ? new Set([...touched, ...nodesOfParts(board, partsOf(beside))]) : touched
        chains.set(company, (own = chainsOf(board, nodes)))
      }
      const chain = own.get(refOf(fault.part, fault.segment))
      return chain === undefined ? 0 : number(`${group} ${chain}`)
    })
    return new Alike(groups)
  }

  /** The same number for all that are alike; undefined for one that is like no other. */
  groupOf({ index }: Hypothesis): number | undefined {
    return this.groups[index] || undefined
  }
}

/** Gives every name a number of its own, from 1. */
function numbered(): (name: string) => number {
  const known = new Map<string, number>()
  return (name) => {
    let number = known.get(name)
    if (number === undefined) known.set(name, (number = known.size + 1))
    return number
  }
}

/** The fault stands in series in something that only conducts: nobody looks at it, and nothing switches by it. */
function isPassive(model: Model, fault: Fault): boolean {
  if (!faultOfKind(fault.kind).inLine || fault.moving) return false
  const { loads = [], notice, bears, protects, modes } = model.part(fault.part).definition
  const { segment } = fault
  return !(
    modes ||
    loads.includes(segment) ||
    notice?.segment === segment ||
    bears?.segments.includes(segment) ||
    protects?.segment === segment
  )
}

const partsOf = ({ part, other }: Fault): readonly string[] =>
  other === undefined ? [part] : [part, partIn(other)]

/** Nodes at which this fact was found, and all of the parts that somebody handled; undefined where it hangs on the past. */
function touchedBy(fact: Fact, board: Board): ReadonlySet<number> | undefined {
  const { state, conditions = untouched } = fact.type === 'measured' ? fact.setup : fact
  if (state.after !== undefined) return undefined
  const nodes = new Set<number>()
  const parts = new Set<string>(handledIn(state))
  for (const { piece } of conditions.repairs) parts.add(partIn(piece))
  for (const id of [...conditions.reseated, ...conditions.renewed, ...conditions.spent]) parts.add(id)
  for (const pair of state.bypassed ?? [])
    for (const end of pair) nodes.add(board.wiring.nodeOf(...splitRef(end)))
  const take = (place: Place) => {
    if (place.type === 'jaws') return
    nodes.add(place.red).add(place.black)
    if (place.part !== undefined) parts.add(place.part)
  }
  if (fact.type === 'measured') for (const { place } of [fact.setup, ...(fact.setup.also ?? [])]) take(place)
  for (const node of nodesOfParts(board, parts)) nodes.add(node)
  return nodes
}

const handledIn = ({
  detached,
  swapped = [],
  spares = [],
  wiggled = [],
}: CircuitState): readonly string[] => [...detached, ...swapped.flat(), ...spares, ...wiggled]

function* nodesOfParts({ elements }: Board, parts: Iterable<string>): Iterable<number> {
  const ids = new Set(parts)
  if (ids.size) for (const { owner, a, b } of elements) if (ids.has(owner.part)) yield* [a, b]
}

/** Joins the segments that meet, two and no more, at a node at which nobody was and by which nothing switches. */
function chainsOf(board: Board, touched: ReadonlySet<number>): Chains {
  const { elements, model, nodeCount } = board
  const sensing = new Set(model.partsWith('modes').map(({ part }) => part.id))
  /** Of each node: how many elements end there, and the first of them. */
  const ends = new Int32Array(nodeCount)
  const first = new Int32Array(nodeCount).fill(-1)
  const root = Int32Array.from(elements, (_, i) => i)
  const rootOf = (i: number): number => {
    while (root[i] !== i) i = root[i] = root[root[i]!]!
    return i
  }
  for (const { a, b } of elements) {
    ends[a]!++
    ends[b]!++
  }
  // Volts are counted from node 0: what floats there and what does not is told apart.
  ends[0] = 0
  for (const node of touched) ends[node] = 0
  for (const { owner, a, b } of elements) if (sensing.has(owner.part)) ends[a] = ends[b] = 0
  elements.forEach(({ a, b }, i) => {
    for (const node of [a, b]) {
      if (ends[node] !== 2) continue
      if (first[node]! < 0) first[node] = i
      else root[rootOf(i)] = rootOf(first[node]!)
    }
  })
  const chains = new Map<SegmentRef, number>()
  const doubled = new Set<SegmentRef>()
  elements.forEach(({ owner }, i) => {
    const segment = refOf(owner.part, owner.segment)
    if (chains.has(segment)) doubled.add(segment)
    chains.set(segment, rootOf(i))
  })
  for (const segment of doubled) chains.delete(segment)
  return chains
}
