import type { Network } from './element'

/**
 * Which nodes hang together. A node that no element ties to the reference floats: its voltage has no
 * answer until something, such as a meter's own resistance, holds it.
 * @returns `island[node]`: 0 for everything tied to the reference, otherwise a number per floating island
 */
export function findIslands({ nodeCount, elements }: Network): Int32Array {
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
  for (const element of elements) {
    // A current source holds no voltage; an infinite resistance joins nothing.
    if (element.type === 'current') continue
    if (element.type === 'resistor' && element.ohms === Infinity) continue
    const a = root(element.a)
    const b = root(element.b)
    if (a !== b) parent[Math.max(a, b)] = Math.min(a, b)
  }
  const island = new Int32Array(nodeCount)
  for (let i = 0; i < nodeCount; i++) island[i] = root(i)
  return island
}
