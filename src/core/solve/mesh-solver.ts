import type { KeyOf } from '../../messages/codes'
import { say } from '../document'
import { compileNetwork } from './compiled'
import type { CurveValue, Law, Network } from './element'
import { slicesOf } from './memory'
import type { DrivenCurrents, NetworkSolver, NoEquilibrium, OperatingPoint } from './operating-point'
import type { Elimination } from './sparse/elimination'
import type { Scratch, Structure } from './structure'

/**
 * Newton stops when its last step has moved no voltage by more than this (V): it closes in quadratically, so that what is
 * left then is far under a nanovolt …
 */
const voltageStep = 1e-6
/** … and no node's currents fail to cancel by more than this (A), or this share of what flows there. */
const currentResidual = 1e-9
const relativeResidual = 1e-10
const mostIterations = 200
/** Times that a knee may hold iteration back, before it is searched along the line instead. */
const mostHolds = 12
/** Rounding of a voltage, relative: a joint of micro-ohms turns it into amps that are no fault of the answer. */
const rounding = 4e-16

/** Two ways through the elimination, each at the rank of a node; −1 at its end. */
interface Way {
  p: number
  q: number
}

/**
 * A network of conductances, sources behind ohms, current sources and monotone nonlinear elements, solved by
 * star–mesh elimination: node k with conductances g to its neighbours and e to the reference becomes a mesh of g·g/d
 * with d = e + Σg. Nothing is ever subtracted, so conductances of 1e-9 S stand beside 1e4 S without loss (the
 * subtraction-free elimination of diagonally dominant matrices: Alfa, Xue and Ye, Math. Comp. 71, 2002), and a node
 * that nothing holds shows as d = 0 exactly. The matrix is symmetric, so one factorization serves the adjoint.
 */
export class MeshSolver implements NetworkSolver {
  private readonly plan: Elimination
  private readonly island: Int32Array
  private readonly wellJoined: boolean
  private readonly laws: readonly Law[]
  private readonly nonlinear: Structure['nonlinear']
  /** Every element's nodes, and of the linear ones siemens and the amps that they drive at no volts. */
  private readonly ends: Int32Array
  private readonly siemens: Float64Array
  private readonly offset: Float64Array
  /** Amps driven in, by rank; what of them the linear nodes hand on is added when those are eliminated. */
  private readonly driven: Float64Array
  /** Factors: conductances between (by slot), to the reference (by rank), then shares of each; and one over their sum. */
  private readonly mesh: Float64Array
  private readonly ground: Float64Array
  private readonly inverse: Float64Array
  /** The same once the linear nodes are gone, from the boundary on. */
  private readonly baseMesh: Float64Array
  private readonly baseGround: Float64Array
  private readonly baseDriven: Float64Array
  private readonly value: CurveValue = { current: 0, slope: 0 }
  private held = false
  private prepared = false
  /** Shared with other networks of the same pattern: nothing is left there from one question to the next. */
  private readonly scratch: Scratch
  private readonly way: Way = { p: -1, q: -1 }

  /** @throws Error where a source is ideal: that takes the general solver */
  constructor(readonly network: Network) {
    const known = network.compiled?.elements === network.elements ? network.compiled : undefined
    const { structure, siemens, offset, laws } = known ?? compileNetwork(network)
    const { plan, island, wellJoined, nonlinear, ends, ranks, scratch } = structure
    const count = siemens.length
    this.plan = plan
    this.island = island
    this.wellJoined = wellJoined
    this.ends = ends
    this.siemens = siemens
    this.offset = offset
    this.scratch = scratch
    const { size, slot: slots } = plan
    const meshes = plan.neighbour.length
    const boundary = size - plan.boundary
    const baseMeshes = meshes - plan.first[plan.boundary]!
    const take = slicesOf(meshes + 3 * size + baseMeshes + 2 * boundary)
    this.driven = take(size)
    this.mesh = take(meshes)
    this.ground = take(size)
    this.inverse = take(size)
    this.baseMesh = take(baseMeshes)
    this.baseGround = take(boundary)
    this.baseDriven = take(boundary)
    this.nonlinear = nonlinear
    this.laws = laws
    const { mesh, ground, driven } = this
    const { a: ranksA, b: ranksB } = ranks
    for (let i = 0; i < count; i++) {
      const g = siemens[i]!
      const amps = offset[i]!
      if (amps !== 0) {
        if (ranksA[i]! >= 0) driven[ranksA[i]!]! += amps
        if (ranksB[i]! >= 0) driven[ranksB[i]!]! -= amps
      }
      if (g !== 0) join(mesh, ground, ranksA[i]!, ranksB[i]!, slots[i]!, g)
    }
  }

  solve(guess?: Float64Array): OperatingPoint | NoEquilibrium {
    const { plan } = this
    const { x, next } = this.scratch
    const { boundary, size } = plan
    this.prepare()
    let iterations = 0
    if (this.laws.length) {
      let error: number
      if (guess) {
        for (let k = boundary; k < size; k++) x[k] = guess[plan.order[k]!] ?? 0
        this.evaluate(x, false)
        error = this.boundaryError(x)
      } else {
        this.useChords()
        this.stepTo(x)
        error = this.evaluate(x, true)
      }
      let holds = 0
      for (let settled = false; !settled;) {
        if (iterations++ === mostIterations) return this.refuse('noPoint', [])
        const { held: wasHeld } = this
        this.linearise()
        this.stepTo(next)
        const moved = this.distance()
        settled = !wasHeld && moved <= voltageStep
        if (!settled) {
          // After a whole step the linear rest cancels by construction: what is missing is what the tangents missed.
          let after = this.evaluate(next, holds < mostHolds)
          const { held } = this
          if (held) holds++
          // Where a knee held a curve back its current is not that of these volts: there is nothing to search along.
          for (let share = 1; !held && after > error && after > 1e-7 && share > 1 / 1024; share /= 2) {
            for (let k = boundary; k < size; k++) next[k] = (x[k]! + next[k]!) / 2
            this.evaluate(next, false)
            after = this.boundaryError(next)
          }
          if (Number.isNaN(after)) return this.refuse('unbounded', [])
          error = held ? Infinity : after
        }
        for (let k = boundary; k < size; k++) x[k] = next[k]!
      }
      this.substitute(0, x, boundary)
    } else {
      this.restoreBase()
      this.eliminate(boundary, size)
      this.substitute(0, x)
    }
    return this.finish(Math.max(1, iterations))
  }

  /** Eliminates the linear nodes: their factors never change and stay where they are, from one solve to the next. */
  private prepare(): void {
    if (this.prepared) {
      this.scratch.right.set(this.driven)
      return
    }
    const { plan, mesh, ground, driven } = this
    const { right } = this.scratch
    const { boundary, size, first } = plan
    right.set(driven)
    this.eliminate(0, boundary)
    const cut = first[boundary]!
    for (let p = 0; p < this.baseMesh.length; p++) this.baseMesh[p] = mesh[cut + p]!
    for (let k = boundary; k < size; k++) {
      this.baseGround[k - boundary] = ground[k]!
      this.baseDriven[k - boundary] = right[k]!
    }
    driven.set(right)
    this.prepared = true
  }

  respondTo(node: number, into: Float64Array): void {
    const { plan, mesh, inverse } = this
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
    this.forward(from)
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
    const { plan, mesh, inverse } = this
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
    const { plan, mesh, inverse } = this
    const { work } = this.scratch
    const { size, rank, order, first, neighbour } = plan
    into.fill(0, 0, (size + 1) * count)
    // What each current hands on, as far as it goes …
    for (let i = 0; i < count; i++) {
      const way = this.startWay(rank[a[i]!]!, amps[i]!, rank[b[i]!]!, -amps[i]!)
      for (let k = this.nextOf(way); k >= 0; k = this.nextOf(way)) {
        const own = work[k]!
        work[k] = 0
        into[order[k]! * count + i] = own
        for (let at = first[k]!; at < first[k + 1]!; at++) work[neighbour[at]!]! += mesh[at]! * own
      }
    }
    // … then all of them together back, row by row.
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
    const { first, neighbour } = this.plan
    const after = first[k]! < first[k + 1]! ? neighbour[first[k]!]! : -1
    if (p === k) way.p = after
    if (q === k) way.q = after
    return k
  }

  /** Node by node: stars become meshes, and what is driven in is handed on. */
  private eliminate(from: number, to: number): void {
    const { mesh, ground, inverse } = this
    const { right } = this.scratch
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
  private forward(from = 0): void {
    const { mesh } = this
    const { right } = this.scratch
    const { first, neighbour, size } = this.plan
    for (let k = from; k < size; k++) {
      const amps = right[k]!
      if (amps === 0) continue
      for (let p = first[k]!; p < first[k + 1]!; p++) right[neighbour[p]!]! += mesh[p]! * amps
    }
  }

  /** Voltages from node `to` back to node `from`; those behind it are known. */
  private substitute(from: number, into: Float64Array, to = this.plan.size): void {
    const { mesh, inverse } = this
    const { right } = this.scratch
    const { first, neighbour } = this.plan
    for (let k = to - 1; k >= from; k--) {
      let v = right[k]! * inverse[k]!
      for (let p = first[k]!; p < first[k + 1]!; p++) v += mesh[p]! * into[neighbour[p]!]!
      into[k] = v
    }
  }

  private restoreBase(): void {
    const { boundary, first } = this.plan
    this.mesh.set(this.baseMesh, first[boundary])
    this.ground.set(this.baseGround, boundary)
    this.scratch.right.set(this.baseDriven, boundary)
  }

  /** Nonlinear elements as plain conductances, or as their tangents where they say, for a first answer. */
  private useChords(): void {
    const { value, laws } = this
    const { slope, amps, where } = this.scratch
    for (let c = 0; c < laws.length; c++) {
      const law = laws[c]!
      const start = law.start ?? 0
      where[c] = start
      if (law.chord !== undefined) {
        slope[c] = law.chord
        amps[c] = law.chord * start
        continue
      }
      law.at(start, value)
      slope[c] = value.slope
      amps[c] = value.current
    }
    this.linearise()
  }

  /** Nonlinear elements as their tangents, where they have been looked at. */
  private linearise(): void {
    this.restoreBase()
    const { mesh, ground } = this
    const { a: ranksA, b: ranksB, slot: slots } = this.nonlinear
    const { right, slope, amps, where } = this.scratch
    for (let c = 0; c < slots.length; c++) {
      const a = ranksA[c]!
      const b = ranksB[c]!
      const slot = slots[c]!
      const g = slope[c]!
      const driven = g * where[c]! - amps[c]!
      join(mesh, ground, a, b, slot, g)
      if (a >= 0) right[a]! += driven
      if (b >= 0) right[b]! -= driven
    }
  }

  private stepTo(into: Float64Array): void {
    this.eliminate(this.plan.boundary, this.plan.size)
    this.substitute(this.plan.boundary, into)
  }

  /**
   * Looks at every nonlinear element at these volts.
   * @returns amps by which the tangents before missed them, at the node where that is most; of a whole step from those
   *   tangents that is how far Kirchhoff's current law fails
   */
  private evaluate(at: Float64Array, limiting: boolean): number {
    const { value, laws } = this
    const { a: ranksA, b: ranksB } = this.nonlinear
    const { where, slope, amps, right } = this.scratch
    const { boundary, size } = this.plan
    this.held = false
    right.fill(0, boundary)
    for (let c = 0; c < laws.length; c++) {
      const law = laws[c]!
      const a = ranksA[c]!
      const b = ranksB[c]!
      let v = (a < 0 ? 0 : at[a]!) - (b < 0 ? 0 : at[b]!)
      if (limiting && law.limit) {
        const asked = v
        v = law.limit(asked, where[c]!)
        if (Math.abs(v - asked) > 1e-6) this.held = true
      }
      law.at(v, value)
      const missed = value.current - amps[c]! - slope[c]! * (v - where[c]!)
      if (a >= 0) right[a]! += missed
      if (b >= 0) right[b]! -= missed
      where[c] = v
      slope[c] = value.slope
      amps[c] = value.current
    }
    let worst = 0
    for (let k = boundary; k < size; k++) {
      const missed = Math.abs(right[k]!)
      if (!(missed <= worst)) worst = missed
    }
    return worst
  }

  /** Largest failure of Kirchhoff's current law over the boundary's nodes, amps. */
  private boundaryError(at: Float64Array): number {
    const { right } = this.scratch
    const { boundary, size, first, neighbour } = this.plan
    const cut = first[boundary]!
    for (let k = boundary; k < size; k++) {
      right[k] = this.baseDriven[k - boundary]! - this.baseGround[k - boundary]! * at[k]!
    }
    for (let k = boundary; k < size; k++) {
      for (let p = first[k]!; p < first[k + 1]!; p++) {
        const g = this.baseMesh[p - cut]!
        if (g === 0) continue
        const j = neighbour[p]!
        const amps = g * (at[k]! - at[j]!)
        right[k]! -= amps
        right[j]! += amps
      }
    }
    const { a: ranksA, b: ranksB } = this.nonlinear
    for (let c = 0; c < ranksA.length; c++) {
      const a = ranksA[c]!
      const b = ranksB[c]!
      if (a >= 0) right[a]! -= this.scratch.amps[c]!
      if (b >= 0) right[b]! += this.scratch.amps[c]!
    }
    let worst = 0
    for (let k = boundary; k < size; k++) {
      const size = Math.abs(right[k]!)
      if (!(size <= worst)) worst = size
    }
    return worst
  }

  private distance(): number {
    let moved = 0
    for (let k = this.plan.boundary; k < this.plan.size; k++) {
      moved = Math.max(moved, Math.abs(this.scratch.next[k]! - this.scratch.x[k]!))
    }
    return moved
  }

  /** Currents, and the proof: every node's currents cancel, or it is polished once, or refused. */
  private finish(iterations: number): OperatingPoint | NoEquilibrium {
    const { network, plan } = this
    const { x } = this.scratch
    const voltage = new Float64Array(network.nodeCount)
    const current = new Float64Array(network.elements.length)
    const { missing } = this.scratch
    for (let polish = 0; ; polish++) {
      for (let k = 0; k < plan.size; k++) voltage[plan.order[k]!] = x[k]!
      this.currents(voltage, current)
      let residual = 0
      for (let node = 1; node < network.nodeCount; node++) {
        const miss = Math.abs(missing[node]!)
        if (!(miss <= residual)) residual = miss
      }
      if (Number.isNaN(residual)) return this.refuse('unbounded', [])
      // Most answers cancel to the nanoamp; where they do not, what is rounding has to be told from what is wrong.
      if (residual <= currentResidual || this.isRounding(voltage, current)) {
        this.settleIslands(voltage)
        return { ok: true, voltage, current, island: this.island, iterations, residual }
      }
      if (polish === 8) {
        const nodes = Array.from(missing.keys()).filter((node) => Math.abs(missing[node]!) > 1e-6)
        return this.refuse('sources', nodes)
      }
      for (let k = 0; k < plan.size; k++) this.scratch.right[k] = missing[plan.order[k]!]!
      this.forward()
      this.substitute(0, this.scratch.next)
      for (let k = 0; k < plan.size; k++) x[k]! += this.scratch.next[k]!
    }
  }

  /** Current of every element, and what is then missing at every node. */
  private currents(voltage: Float64Array, current: Float64Array): void {
    const { value, ends, siemens, offset } = this
    const { missing } = this.scratch
    missing.fill(0)
    for (let i = 0; i < siemens.length; i++) {
      const a = ends[2 * i]!
      const b = ends[2 * i + 1]!
      const amps = (voltage[a]! - voltage[b]!) * siemens[i]! - offset[i]!
      current[i] = amps
      missing[a]! -= amps
      missing[b]! += amps
    }
    for (let c = 0; c < this.laws.length; c++) {
      const element = this.nonlinear.element[c]!
      const a = ends[2 * element]!
      const b = ends[2 * element + 1]!
      this.laws[c]!.at(voltage[a]! - voltage[b]!, value)
      current[element] = value.current
      missing[a]! -= value.current
      missing[b]! += value.current
    }
  }

  /** Whether what is missing is no more than rounding of the voltages and of the sums makes of it. */
  private isRounding(voltage: Float64Array, current: Float64Array): boolean {
    const { ends, siemens, nonlinear } = this
    const { missing, slope } = this.scratch
    const flow = new Float64Array(voltage.length)
    const grain = rounding / relativeResidual
    const book = (i: number, siemens: number) => {
      const a = ends[2 * i]!
      const b = ends[2 * i + 1]!
      const size = Math.max(
        Math.abs(current[i]!),
        grain * siemens * Math.max(Math.abs(voltage[a]!), Math.abs(voltage[b]!)),
      )
      flow[a]! += size
      flow[b]! += size
    }
    for (let i = 0; i < siemens.length; i++) book(i, siemens[i]!)
    nonlinear.element.forEach((i, c) => book(i, slope[c]!))
    for (let node = 1; node < flow.length; node++)
      if (Math.abs(missing[node]!) > Math.max(currentResidual, relativeResidual * flow[node]!)) return false
    return true
  }

  /** In a floating island, volts are told over its first node. */
  private settleIslands(voltage: Float64Array): void {
    if (this.wellJoined) return
    const base = new Map<number, number>()
    for (let node = 1; node < voltage.length; node++) {
      const root = this.island[node]!
      if (root === 0) continue
      if (root === node) base.set(root, voltage[node]!)
      voltage[node]! -= base.get(root) ?? 0
    }
  }

  private refuse(why: KeyOf<'solve'>, nodes: readonly number[]): NoEquilibrium {
    return { ok: false, why: say(`solve.${why}`), nodes }
  }
}

function join(
  mesh: Float64Array,
  ground: Float64Array,
  a: number,
  b: number,
  slot: number,
  siemens: number,
): void {
  if (slot >= 0) mesh[slot]! += siemens
  else if (a < 0 && b >= 0) ground[b]! += siemens
  else if (b < 0 && a >= 0) ground[a]! += siemens
}
