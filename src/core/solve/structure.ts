import { islandsOf } from './islands'
import { planElimination, type Elimination } from './sparse/elimination'
import { elementKinds, type Values } from './values'

/** What a network's pattern alone decides: in which order its nodes are eliminated, and which hang together. */
export interface Structure {
  readonly plan: Elimination
  /** Per node: 0 for what is tied to the reference, otherwise a number per floating island. */
  readonly island: Int32Array
  /** Every node is tied to the reference. */
  readonly wellJoined: boolean
  /** Elements that are nonlinear. */
  readonly nonlinear: Int32Array
}

interface Known {
  readonly values: Pick<Values, 'nodeCount' | 'ends' | 'kinds'>
  readonly structure: Structure
}

/** Found structures by hash: boards of one circuit differ in values far more often than in what joins what. */
const found = new Map<number, Known[]>()
const most = 3000

/** The structure of this pattern, made or found again. */
export function structureOf(values: Values): Structure {
  const list = found.get(values.hash)
  if (list) for (const known of list) if (same(known.values, values)) return known.structure
  if (found.size >= most) found.clear()
  const { nodeCount, ends, kinds } = values
  const structure = make(values)
  const known: Known = { values: { nodeCount, ends, kinds }, structure }
  const now = found.get(values.hash)
  if (now) now.push(known)
  else found.set(values.hash, [known])
  return structure
}

function same(a: Known['values'], b: Known['values']): boolean {
  if (a.nodeCount !== b.nodeCount || a.kinds.length !== b.kinds.length) return false
  for (let i = 0; i < a.ends.length; i++) if (a.ends[i] !== b.ends[i]) return false
  for (let i = 0; i < a.kinds.length; i++) if (a.kinds[i] !== b.kinds[i]) return false
  return true
}

function make(values: Values): Structure {
  const island = islandsOf(values)
  const nonlinear: number[] = []
  for (let i = 0; i < values.count; i++) if (values.kinds[i] === elementKinds.nonlinear) nonlinear.push(i)
  return {
    plan: planElimination(values),
    island,
    wellJoined: island.every((root) => root === 0),
    nonlinear: Int32Array.from(nonlinear),
  }
}
