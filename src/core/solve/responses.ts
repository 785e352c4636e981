import type { DrivenCurrents } from './operating-point'
import type { Factors } from './sparse/factors'
import type { Scratch } from './structure'

/** Two ways through the elimination, each at the rank of a node; −1 at its end. */
interface Way {
  p: number
  q: number
}

/** Small-signal responses of a solved network, from the factors of its linearisation. */
export class Responses {
  private readonly way: Way = { p: -1, q: -1 }

  constructor(
    private readonly factors: Factors,
    private readonly scratch: Scratch,
  ) {}

  respondTo(node: number, into: Float64Array): void {
    const { plan, mesh, inverse } = this.factors
    const { right, next } = this.scratch
    const { size, order, first, neighbour } = plan
    const from = plan.rank[node]!
    into[0] = 0
    if (from < 0) {
      into.fill(0)
      return
    }
    right.fill(0, from)
    right[from] = 1
    this.factors.forward(from)
    for (let k = size - 1; k >= from; k--) {
      let v = right[k]! * inverse[k]!
      for (let p = first[k]!; p < first[k + 1]!; p++) v += mesh[p]! * next[neighbour[p]!]!
      next[k] = v
      into[order[k]!] = v
    }
    // Before the node itself nothing is driven in: those follow their neighbours.
    for (let k = from - 1; k >= 0; k--) {
      let v = 0
      for (let p = first[k]!; p < first[k + 1]!; p++) v += mesh[p]! * next[neighbour[p]!]!
      next[k] = v
      into[order[k]!] = v
    }
  }

  ohmsBetween(p: number, q: number): number {
    const { plan, mesh, inverse } = this.factors
    const { work } = this.scratch
    const { rank, first, neighbour } = plan
    // A sum of squares, so that nothing cancels: v·J⁻¹v = w·D⁻¹w, where w is what v hands on.
    let ohms = 0
    const way = this.startWay(rank[p]!, 1, rank[q]!, -1)
    for (let k = this.nextOf(way); k >= 0; k = this.nextOf(way)) {
      const amps = work[k]!
      work[k] = 0
      ohms += inverse[k]! * amps * amps
      for (let at = first[k]!; at < first[k + 1]!; at++) work[neighbour[at]!]! += mesh[at]! * amps
    }
    return ohms
  }

  shiftsBy({ count, a, b, amps }: DrivenCurrents, into: Float64Array): void {
    const { plan, mesh, inverse } = this.factors
    const { work } = this.scratch
    const { size, rank, order, first, neighbour } = plan
    into.fill(0, 0, (size + 1) * count)
    // Forward substitution, each current along its own path …
    for (let i = 0; i < count; i++) {
      const way = this.startWay(rank[a[i]!]!, amps[i]!, rank[b[i]!]!, -amps[i]!)
      for (let k = this.nextOf(way); k >= 0; k = this.nextOf(way)) {
        const own = work[k]!
        work[k] = 0
        into[order[k]! * count + i] = own
        for (let at = first[k]!; at < first[k + 1]!; at++) work[neighbour[at]!]! += mesh[at]! * own
      }
    }
    // … then back substitution for all of them together, row by row.
    for (let k = size - 1; k >= 0; k--) {
      const row = order[k]! * count
      const one = inverse[k]!
      const begin = first[k]!
      const end = first[k + 1]!
      if (end - begin === 2) {
        const p = mesh[begin]!
        const q = mesh[begin + 1]!
        const x = order[neighbour[begin]!]! * count
        const y = order[neighbour[begin + 1]!]! * count
        for (let i = 0; i < count; i++)
          into[row + i] = one * into[row + i]! + p * into[x + i]! + q * into[y + i]!
        continue
      }
      for (let i = 0; i < count; i++) into[row + i]! *= one
      for (let at = begin; at < end; at++) {
        const share = mesh[at]!
        const other = order[neighbour[at]!]! * count
        for (let i = 0; i < count; i++) into[row + i]! += share * into[other + i]!
      }
    }
  }

  /** Amps put in at two nodes, by their ranks: what they hand on meets only nodes on the way of either. */
  private startWay(p: number, atP: number, q: number, atQ: number): Way {
    if (p >= 0) this.scratch.work[p]! += atP
    if (q >= 0) this.scratch.work[q]! += atQ
    this.way.p = p
    this.way.q = q
    return this.way
  }

  /** The next node on the two ways, or −1 where both have ended. */
  private nextOf(way: Way): number {
    const { p, q } = way
    const k = p < 0 ? q : q < 0 ? p : Math.min(p, q)
    if (k < 0) return k
    const { first, neighbour } = this.factors.plan
    const after = first[k]! < first[k + 1]! ? neighbour[first[k]!]! : -1
    if (p === k) way.p = after
    if (q === k) way.q = after
    return k
  }
}
