import type { Elimination } from './elimination'

/**
 * Numbers of a star–mesh elimination: node k with conductances g to its neighbours and e to the reference becomes a mesh of
 * g·g/d with d = e + Σg. Nothing is ever subtracted, so conductances of 1e-9 S stand beside 1e4 S without loss (the
 * subtraction-free elimination of diagonally dominant matrices: Alfa, Xue and Ye, Math. Comp. 71, 2002), and a node that
 * nothing holds shows as d = 0 exactly. The matrix is symmetric, so one factorization serves the adjoint.
 */
export class Factors {
  /** Conductances between (by slot) and to the reference (by rank), S; once eliminated, shares of each … */
  readonly mesh: Float64Array
  readonly ground: Float64Array
  /** … and one over their sum, Ω. */
  readonly inverse: Float64Array

  /**
   * @param right amps driven in, by rank; shared with other networks of the same pattern
   * @param take gives zeroed memory
   */
  constructor(
    readonly plan: Elimination,
    readonly right: Float64Array,
    take: (length: number) => Float64Array,
  ) {
    this.mesh = take(plan.neighbour.length)
    this.ground = take(plan.size)
    this.inverse = take(plan.size)
  }

  /** Adds a conductance (S) between two ranks; −1 is the reference. */
  join(a: number, b: number, slot: number, siemens: number): void {
    if (slot >= 0) this.mesh[slot]! += siemens
    else if (a < 0 && b >= 0) this.ground[b]! += siemens
    else if (b < 0 && a >= 0) this.ground[a]! += siemens
  }

  /** Node by node: stars become meshes, and what is driven in is handed on. */
  eliminate(from: number, to: number): void {
    const { mesh, ground, inverse } = this
    const { right } = this
    const { first, neighbour, meshFirst, mesh: pairs } = this.plan
    let begin = first[from]!
    for (let k = from; k < to; k++) {
      const end = first[k + 1]!
      const toGround = ground[k]!
      const amps = right[k]!
      // One neighbour or two is what nearly every node of a harness has: written out, for it is asked most of all.
      if (end - begin === 2) {
        const p = mesh[begin]!
        const q = mesh[begin + 1]!
        const d = toGround + p + q
        const one = d > 0 ? 1 / d : 0
        const i = neighbour[begin]!
        const j = neighbour[begin + 1]!
        const pShare = p * one
        const qShare = q * one
        inverse[k] = one
        if (toGround !== 0) {
          ground[i]! += pShare * toGround
          ground[j]! += qShare * toGround
        }
        right[i]! += pShare * amps
        right[j]! += qShare * amps
        mesh[pairs[meshFirst[k]!]!]! += pShare * q
        mesh[begin] = pShare
        mesh[begin + 1] = qShare
      } else if (end - begin === 1) {
        const p = mesh[begin]!
        const d = toGround + p
        const one = d > 0 ? 1 / d : 0
        const i = neighbour[begin]!
        const share = p * one
        inverse[k] = one
        ground[i]! += share * toGround
        right[i]! += share * amps
        mesh[begin] = share
      } else {
        let d = toGround
        for (let p = begin; p < end; p++) d += mesh[p]!
        const one = d > 0 ? 1 / d : 0
        inverse[k] = one
        let m = meshFirst[k]!
        for (let p = begin; p < end; p++) {
          const share = mesh[p]! * one
          const j = neighbour[p]!
          ground[j]! += share * toGround
          right[j]! += share * amps
          for (let q = p + 1; q < end; q++) mesh[pairs[m++]!]! += share * mesh[q]!
          mesh[p] = share
        }
      }
      begin = end
    }
  }

  /** What is driven in, handed on through factors that are already there. */
  forward(from = 0): void {
    const { mesh } = this
    const { right } = this
    const { first, neighbour, size } = this.plan
    for (let k = from; k < size; k++) {
      const amps = right[k]!
      if (amps === 0) continue
      for (let p = first[k]!; p < first[k + 1]!; p++) right[neighbour[p]!]! += mesh[p]! * amps
    }
  }

  /** Voltages from node `to` back to node `from`; those behind it are known. */
  substitute(from: number, into: Float64Array, to = this.plan.size): void {
    const { mesh, inverse } = this
    const { right } = this
    const { first, neighbour } = this.plan
    let end = first[to]!
    for (let k = to - 1; k >= from; k--) {
      const begin = first[k]!
      let v = right[k]! * inverse[k]!
      if (end - begin === 2)
        v = v + mesh[begin]! * into[neighbour[begin]!]! + mesh[begin + 1]! * into[neighbour[begin + 1]!]!
      else for (let p = begin; p < end; p++) v += mesh[p]! * into[neighbour[p]!]!
      into[k] = v
      end = begin
    }
  }
}
