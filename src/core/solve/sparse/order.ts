import type { SparseMatrix } from './pattern'

/**
 * Fill-reducing elimination order: minimum degree on the pattern of A + Aᵀ.
 * Harness-like circuits are nearly trees, on which this gives no fill at all. Done once per circuit.
 * @returns `order[k]` = the row and column eliminated k-th; length = size
 */
export function minimumDegree({ size, start, row }: SparseMatrix): Int32Array {
  const neighbours = Array.from({ length: size }, () => new Set<number>())
  for (let c = 0; c < size; c++) {
    for (let p = start[c]!; p < start[c + 1]!; p++) {
      const r = row[p]!
      if (r === c) continue
      neighbours[r]!.add(c)
      neighbours[c]!.add(r)
    }
  }
  // Buckets by degree keep the choice cheap; stale entries are skipped when met.
  const buckets: number[][] = []
  const push = (node: number) => (buckets[neighbours[node]!.size] ??= []).push(node)
  for (let i = size - 1; i >= 0; i--) push(i)
  const done = new Uint8Array(size)
  const order = new Int32Array(size)
  let filled = 0
  let degree = 0
  while (filled < size) {
    const node = buckets[degree]?.pop()
    if (node === undefined) {
      degree++
      continue
    }
    if (done[node] || neighbours[node]!.size !== degree) continue
    done[node] = 1
    order[filled++] = node
    const around = [...neighbours[node]!]
    for (const i of around) {
      const set = neighbours[i]!
      set.delete(node)
      for (const j of around) if (j !== i) set.add(j)
    }
    for (const i of around) {
      push(i)
      degree = Math.min(degree, neighbours[i]!.size)
    }
    neighbours[node]!.clear()
  }
  return order
}
