import type { Network } from './element'
import { elementKinds, valuesOf, type Values } from './values'

/** What joins what: nodes of each element, and what it is. */
export type Pattern = Pick<Values, 'nodeCount' | 'ends' | 'kinds'>

/**
 * Which nodes hang together. A node that no element ties to the reference floats: its voltage has no
 * answer until something, such as a meter's own resistance, holds it.
 * @returns `island[node]`: 0 for everything tied to the reference, otherwise a number per floating island
 */
export function findIslands(network: Network): Int32Array {
  const { nodeCount, count, ends, kinds } = valuesOf(network)
  return islandsOf({ nodeCount, ends, kinds: kinds.subarray(0, count) })
}

/** The same of elements that have been read. */
export function islandsOf({ nodeCount, ends, kinds }: Pattern): Int32Array {
  // Plain loops: a board of many states is tied together hundreds of times a second.
  const parent = new Int32Array(nodeCount)
  for (let i = 0; i < nodeCount; i++) parent[i] = i
  const root = (i: number): number => {
    while (parent[i] !== i) {
      parent[i] = parent[parent[i]!]!
      i = parent[i]!
    }
    return i
  }
  for (let i = 0; i < kinds.length; i++) {
    // A current source holds no voltage; an infinite resistance joins nothing.
    if (kinds[i] === elementKinds.current || kinds[i] === elementKinds.open) continue
    const a = root(ends[2 * i]!)
    const b = root(ends[2 * i + 1]!)
    if (a !== b) parent[Math.max(a, b)] = Math.min(a, b)
  }
  const island = new Int32Array(nodeCount)
  for (let i = 0; i < nodeCount; i++) island[i] = root(i)
  return island
}
