import { islandsOf } from './islands'
import { slicesOf } from './memory'
import { planElimination, type Elimination } from './sparse/elimination'
import { elementKinds, type Values } from './values'

/** What the topology of a network decides: the elimination order of its nodes, and which are connected. */
export interface Structure {
  readonly nodeCount: number
  readonly ends: Int32Array
  readonly kinds: Uint8Array
  readonly plan: Elimination
  /** Per node: 0 for what is tied to the reference, otherwise a number per floating island. */
  readonly island: Int32Array
  /** Every node is tied to the reference. */
  readonly wellJoined: boolean
  /** Ranks of each element's nodes, −1 for the reference. */
  readonly ranks: { readonly a: Int32Array; readonly b: Int32Array }
  /** Of each nonlinear element: its number, the ranks of its nodes, its slot in the plan. */
  readonly nonlinear: {
    readonly element: Int32Array
    readonly a: Int32Array
    readonly b: Int32Array
    readonly slot: Int32Array
  }
  /** Scratch memory, shared by all networks of this pattern; holds nothing between two calls. */
  readonly scratch: Scratch
}

export interface Scratch {
  /** By rank. */
  readonly x: Float64Array
  readonly next: Float64Array
  readonly right: Float64Array
  /** By rank; zero between two calls. */
  readonly work: Float64Array
  /** By node. */
  readonly missing: Float64Array
  /** By nonlinear element: the tangent where it was looked at last. */
  readonly slope: Float64Array
  readonly amps: Float64Array
  readonly where: Float64Array
}

/**
 * Structures by hash of their pattern: boards of one circuit differ in values far more often than in topology. Each holds its own
 * memory (about 25 kB at 400 nodes), so fewer are kept than plans.
 */
const found = new Map<number, Structure[]>()
const most = 600

/** The structure of this pattern, made or found again. */
export function structureOf(values: Values): Structure {
  const list = found.get(values.hash)
  if (list) for (const known of list) if (same(known, values)) return known
  if (found.size >= most) found.clear()
  const structure = make(values)
  const now = found.get(values.hash)
  if (now) now.push(structure)
  else found.set(values.hash, [structure])
  return structure
}

function same({ nodeCount, ends, kinds }: Structure, values: Values): boolean {
  const { count } = values
  if (nodeCount !== values.nodeCount || kinds.length !== count) return false
  for (let i = 0; i < count; i++) if (kinds[i] !== values.kinds[i]) return false
  for (let i = 0; i < 2 * count; i++) if (ends[i] !== values.ends[i]) return false
  return true
}

function make({ nodeCount, count, ...values }: Values): Structure {
  const ends = values.ends.slice(0, 2 * count)
  const kinds = values.kinds.slice(0, count)
  const pattern = { nodeCount, ends, kinds }
  const plan = planElimination(pattern)
  const island = islandsOf(pattern)
  const element = Int32Array.from([...kinds.keys()].filter((i) => kinds[i] === elementKinds.nonlinear))
  const { size, rank, slot } = plan
  const a = Int32Array.from(kinds, (_, i) => rank[ends[2 * i]!]!)
  const b = Int32Array.from(kinds, (_, i) => rank[ends[2 * i + 1]!]!)
  const nonlinear = {
    element,
    a: element.map((i) => a[i]!),
    b: element.map((i) => b[i]!),
    slot: element.map((i) => slot[i]!),
  }
  const take = slicesOf(4 * size + nodeCount + 3 * element.length)
  const scratch = {
    x: take(size),
    next: take(size),
    right: take(size),
    work: take(size),
    missing: take(nodeCount),
    slope: take(element.length),
    amps: take(element.length),
    where: take(element.length),
  }
  const wellJoined = island.every((root) => root === 0)
  return { ...pattern, plan, island, wellJoined, ranks: { a, b }, nonlinear, scratch }
}
