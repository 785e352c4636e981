import type { Pattern } from '../islands'
import { elementKinds } from '../values'

/**
 * The plan by which a network's nodes are eliminated one after the other, each star turned into a mesh among its
 * neighbours. It depends on what joins what, never on a value, so it is made once per pattern and kept.
 * Nodes that a nonlinear element touches come last, with the hubs: the rest goes once per solve and not per iteration.
 */
export interface Elimination {
  /** Nodes without the reference. */
  readonly size: number
  /** `order[k]` = node (from 1) eliminated k-th; `rank[node]` = k, and −1 for the reference. */
  readonly order: Int32Array
  readonly rank: Int32Array
  /** Of node k (in elimination order): its later neighbours are `neighbour[first[k] … first[k+1])`. */
  readonly first: Int32Array
  readonly neighbour: Int32Array
  /** Slots of the mesh among those neighbours, row by row, from `meshFirst[k]` on. */
  readonly meshFirst: Int32Array
  readonly mesh: Int32Array
  /** Slot of the pair that element i joins, or −1 where one end is the reference (or both ends are one node). */
  readonly slot: Int32Array
  /** Rank from which nodes may be touched by nonlinear elements. */
  readonly boundary: number
}

/** A star of three becomes a mesh of three: no node of so few neighbours adds to the work. */
const fewNeighbours = 3

interface Shape {
  readonly hash: number
  readonly nodeCount: number
  /** Two nodes per element; both 0 where it joins nothing. */
  readonly ends: Int32Array
  readonly bent: Uint8Array
}

const kept = new Map<number, { shape: Shape; plan: Elimination }[]>()
const most = 3000

/** The plan of this pattern, made or found again; what is open counts as joined, so that a switch leaves the plan as it was. */
export function planElimination(pattern: Pattern): Elimination {
  const shape = shapeOf(pattern)
  const same = kept.get(shape.hash)?.find((entry) => equal(entry.shape, shape))
  if (same) return same.plan
  if (kept.size >= most) kept.clear()
  const plan = makePlan(shape)
  const list = kept.get(shape.hash)
  if (list) list.push({ shape, plan })
  else kept.set(shape.hash, [{ shape, plan }])
  return plan
}

function shapeOf({ nodeCount, ends: all, kinds }: Pattern): Shape {
  const ends = new Int32Array(all.length)
  const bent = new Uint8Array(kinds.length)
  let hash = nodeCount
  for (let i = 0; i < kinds.length; i++) {
    const joins = kinds[i] !== elementKinds.current
    const a = joins ? all[2 * i]! : 0
    const b = joins ? all[2 * i + 1]! : 0
    ends[2 * i] = a
    ends[2 * i + 1] = b
    const curve = kinds[i] === elementKinds.nonlinear ? 1 : 0
    bent[i] = curve
    hash = (Math.imul(hash, 31) + a * 4 + curve) | 0
    hash = (Math.imul(hash, 31) + b) | 0
  }
  return { hash, nodeCount, ends, bent }
}

function equal(a: Shape, b: Shape): boolean {
  if (a.nodeCount !== b.nodeCount || a.ends.length !== b.ends.length) return false
  for (let i = 0; i < a.ends.length; i++) if (a.ends[i] !== b.ends[i]) return false
  for (let i = 0; i < a.bent.length; i++) if (a.bent[i] !== b.bent[i]) return false
  return true
}

function makePlan({ nodeCount, ends, bent }: Shape): Elimination {
  const size = nodeCount - 1
  const around = Array.from({ length: nodeCount }, () => new Set<number>())
  const touched = new Uint8Array(nodeCount)
  for (let i = 0; i < bent.length; i++) {
    const a = ends[2 * i]!
    const b = ends[2 * i + 1]!
    if (bent[i]) touched[a] = touched[b] = 1
    if (a === 0 || b === 0 || a === b) continue
    around[a]!.add(b)
    around[b]!.add(a)
  }
  const order = new Int32Array(size)
  const rank = new Int32Array(nodeCount).fill(-1)
  const later: number[][] = []
  let boundary = 0
  for (const last of [false, true]) {
    // A linear node with few neighbours goes first and leaves no more behind than there was. A hub waits: gone early, it
    // would join everything round it to everything.
    const queue = new DegreeQueue(
      around,
      (node) => node > 0 && rank[node]! < 0 && (last || touched[node] === 0),
      last ? Infinity : fewNeighbours,
    )
    if (last) boundary = later.length
    for (let node = queue.take(); node !== undefined; node = queue.take()) {
      rank[node] = later.length
      order[later.length] = node
      const mine = [...around[node]!]
      later.push(mine)
      for (const i of mine) {
        const set = around[i]!
        set.delete(node)
        for (const j of mine) if (j !== i) set.add(j)
      }
      queue.changed(mine)
    }
  }
  const first = new Int32Array(size + 1)
  const neighbours: number[] = []
  const slotOf = new Map<number, number>()
  later.forEach((mine, k) => {
    for (const j of mine.map((node) => rank[node]!).sort((p, q) => p - q)) {
      slotOf.set(k * size + j, neighbours.length)
      neighbours.push(j)
    }
    first[k + 1] = neighbours.length
  })
  const meshFirst = new Int32Array(size + 1)
  const mesh: number[] = []
  for (let k = 0; k < size; k++) {
    for (let p = first[k]!; p < first[k + 1]!; p++) {
      for (let q = p + 1; q < first[k + 1]!; q++)
        mesh.push(slotOf.get(neighbours[p]! * size + neighbours[q]!)!)
    }
    meshFirst[k + 1] = mesh.length
  }
  const slot = new Int32Array(bent.length)
  for (let i = 0; i < bent.length; i++) {
    const p = rank[ends[2 * i]!]!
    const q = rank[ends[2 * i + 1]!]!
    slot[i] = p < 0 || q < 0 || p === q ? -1 : slotOf.get(Math.min(p, q) * size + Math.max(p, q))!
  }
  return {
    size,
    order,
    rank,
    first,
    neighbour: Int32Array.from(neighbours),
    meshFirst,
    mesh: Int32Array.from(mesh),
    slot,
    boundary,
  }
}

/** Nodes in order of elimination: those with the fewest neighbours first. */
class DegreeQueue {
  /** Nodes with more neighbours than `most` are left alone. */
  private readonly buckets: number[][] = []
  private readonly gone: Uint8Array
  private degree = 0

  constructor(
    private readonly around: readonly Set<number>[],
    private readonly wanted: (node: number) => boolean,
    private readonly most: number,
  ) {
    this.gone = new Uint8Array(around.length)
    for (let node = around.length - 1; node > 0; node--) if (wanted(node)) this.push(node)
  }

  take(): number | undefined {
    while (this.degree < this.buckets.length && this.degree <= this.most) {
      const node = this.buckets[this.degree]?.pop()
      if (node === undefined) {
        this.degree++
        continue
      }
      // Entries go stale when a node's degree changes; the right one is further on.
      if (this.gone[node] || this.around[node]!.size !== this.degree) continue
      this.gone[node] = 1
      return node
    }
    return undefined
  }

  changed(nodes: readonly number[]): void {
    for (const node of nodes) {
      if (!this.wanted(node) || this.gone[node]) continue
      this.push(node)
      this.degree = Math.min(this.degree, this.around[node]!.size)
    }
  }

  private push(node: number): void {
    const degree = this.around[node]!.size
    ;(this.buckets[degree] ??= []).push(node)
  }
}
