import { say } from './phrases'
import { countCurves, pieces } from './memory'
import type { CurveValue, Element, Law, Network } from './element'
import { findIslands } from './islands'
import type { NetworkSolver, NoEquilibrium, OperatingPoint } from './operating-point'
import { planElimination, type Elimination } from './sparse/elimination'

/**
 * Newton stops when no voltage moves by more than this (V) and takes one step more: it closes in quadratically, so what
 * is left then is under a nanovolt …
 */
const voltageStep = 1e-4
/** … and no node's currents fail to cancel by more than this (A), or this share of what flows there. */
const currentResidual = 1e-9
const relativeResidual = 1e-12
const mostIterations = 200
/** Times that a knee may hold iteration back, before it is searched along the line instead. */
const mostHolds = 12
/** Rounding of a voltage, relative: a joint of micro-ohms turns it into amps that are no fault of the answer. */
const rounding = 4e-16

interface Curve {
  readonly element: number
  readonly law: Law
  /** Ranks of its nodes, −1 for the reference. */
  readonly a: number
  readonly b: number
  readonly slot: number
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
  private readonly curves: Curve[] = []
  /** Linear part: conductances between (by slot) and to the reference (by rank), amps driven in (by rank). */
  private readonly linear: Float64Array
  private readonly linearGround: Float64Array
  private readonly driven: Float64Array
  /** Factors: share of each neighbour, and one over d. */
  private readonly mesh: Float64Array
  private readonly ground: Float64Array
  private readonly inverse: Float64Array
  /** The same once the linear nodes are gone, from the boundary on. */
  private readonly baseMesh: Float64Array
  private readonly baseGround: Float64Array
  private readonly baseDriven: Float64Array
  private readonly x: Float64Array
  private readonly next: Float64Array
  private readonly right: Float64Array
  private readonly slope: Float64Array
  private readonly amps: Float64Array
  private readonly value: CurveValue = { current: 0, slope: 0 }
  /** Volts at which each curve was looked at last; a sharp knee keeps them from following at once. */
  private readonly where: Float64Array
  private held = false
  /** Amps that fail to cancel at each node. */
  private readonly missing: Float64Array
  private prepared = false
  /** Every element's nodes, and of the linear ones siemens and the amps that they drive at no volts. */
  private readonly ends: Int32Array
  private readonly siemens: Float64Array
  private readonly offset: Float64Array
  private readonly wellJoined: boolean

  constructor(readonly network: Network) {
    const plan = planElimination(network)
    this.plan = plan
    this.island = findIslands(network)
    this.wellJoined = this.island.every((root) => root === 0)
    const { elements, nodeCount } = network
    const { size } = plan
    const slots = plan.neighbour.length
    const baseSlots = slots - plan.first[plan.boundary]!
    const boundary = size - plan.boundary
    const count = elements.length
    const curves = countCurves(elements)
    const take = pieces(2 * slots + 7 * size + baseSlots + 2 * boundary + nodeCount + 2 * count + 3 * curves)
    this.linear = take(slots)
    this.linearGround = take(size)
    this.driven = take(size)
    this.mesh = take(slots)
    this.ground = take(size)
    this.inverse = take(size)
    this.baseMesh = take(baseSlots)
    this.baseGround = take(boundary)
    this.baseDriven = take(boundary)
    this.x = take(size)
    this.next = take(size)
    this.right = take(size)
    this.missing = take(nodeCount)
    this.siemens = take(count)
    this.offset = take(count)
    this.slope = take(curves)
    this.amps = take(curves)
    this.where = take(curves)
    this.ends = new Int32Array(2 * count)
    for (let i = 0; i < elements.length; i++) this.enter(elements[i]!, i)
  }

  solve(guess?: Float64Array): OperatingPoint | NoEquilibrium {
    const { plan, mesh, ground, right, x } = this
    const { boundary, size } = plan
    if (this.prepared) {
      right.set(this.driven)
    } else {
      // The linear nodes' factors never change: they stay where they are, from one solve to the next.
      mesh.set(this.linear)
      ground.set(this.linearGround)
      right.set(this.driven)
      this.eliminate(0, boundary)
      this.baseMesh.set(mesh.subarray(plan.first[boundary]!))
      this.baseGround.set(ground.subarray(boundary))
      this.baseDriven.set(right.subarray(boundary))
      this.driven.set(right)
      this.prepared = true
    }
    let iterations = 0
    if (this.curves.length) {
      if (guess) {
        for (let k = boundary; k < size; k++) x[k] = guess[plan.order[k]!] ?? 0
        this.evaluate(x, false)
      } else {
        this.useChords()
        this.stepTo(x)
        for (let c = 0; c < this.curves.length; c++) this.where[c] = this.curves[c]!.law.start ?? 0
        this.evaluate(x, true)
      }
      let settled = false
      let holds = 0
      let error = this.boundaryError(x)
      while (!settled && iterations++ < mostIterations) {
        this.linearise()
        this.stepTo(this.next)
        let moved = this.distance()
        this.evaluate(this.next, holds < mostHolds)
        const { held } = this
        if (held) holds++
        // So near that a step more is the answer, there is nothing to search: the proof comes at the end.
        settled = !held && moved <= voltageStep
        let after = settled ? 0 : this.boundaryError(this.next)
        // Where a knee held a curve back its current is not that of these volts: there is nothing to search along.
        for (let share = 1; !held && after > error && after > 1e-7 && share > 1 / 1024; share /= 2) {
          for (let k = boundary; k < size; k++) this.next[k] = (x[k]! + this.next[k]!) / 2
          moved /= 2
          this.evaluate(this.next, false)
          after = this.boundaryError(this.next)
        }
        for (let k = boundary; k < size; k++) x[k] = this.next[k]!
        error = held ? Infinity : after
        if (Number.isNaN(after)) return this.refuse('unbounded', [])
      }
      if (!settled) return this.refuse('noPoint', [])
      this.linearise()
    } else {
      this.restoreBase()
    }
    this.eliminate(boundary, size)
    this.substitute(0, x)
    return this.finish(Math.max(1, iterations))
  }

  adjoint(gradient: Float64Array): void {
    this.respond(gradient)
  }

  respond(currents: Float64Array): void {
    const { plan, right, next } = this
    const { size, order } = plan
    let from = size
    for (let k = 0; k < size; k++) {
      const amps = currents[order[k]!]!
      right[k] = amps
      if (amps !== 0 && from === size) from = k
    }
    this.forward(from)
    this.substitute(0, next)
    currents[0] = 0
    for (let k = 0; k < size; k++) currents[order[k]!] = next[k]!
  }

  respondTo(node: number, into: Float64Array): void {
    const { plan, right, mesh, inverse, next } = this
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

  /** Conductances of all meshes, one triangle. */
  get fill(): number {
    return this.plan.neighbour.length
  }

  private enter(element: Element, i: number): void {
    const { rank } = this.plan
    const a = rank[element.a]!
    const b = rank[element.b]!
    const slot = this.plan.slot[i]!
    this.ends[2 * i] = element.a
    this.ends[2 * i + 1] = element.b
    switch (element.type) {
      case 'curve':
        this.curves.push({ element: i, law: element.law, a, b, slot })
        return
      case 'current':
        if (a >= 0) this.driven[a]! += element.amps
        if (b >= 0) this.driven[b]! -= element.amps
        this.offset[i] = element.amps
        return
      case 'source':
        if (a >= 0) this.driven[a]! += element.volts / element.ohms
        if (b >= 0) this.driven[b]! -= element.volts / element.ohms
        this.siemens[i] = 1 / element.ohms
        this.offset[i] = element.volts / element.ohms
        join(this.linear, this.linearGround, a, b, slot, 1 / element.ohms)
        return
      case 'resistor':
        this.siemens[i] = 1 / element.ohms
        join(this.linear, this.linearGround, a, b, slot, 1 / element.ohms)
        return
      case 'ideal':
        throw new Error('an ideal source needs the general solver')
    }
  }

  /** Node by node: stars become meshes, and what is driven in is handed on. */
  private eliminate(from: number, to: number): void {
    const { mesh, ground, inverse, right } = this
    const { first, neighbour, meshFirst, mesh: pairs } = this.plan
    for (let k = from; k < to; k++) {
      const begin = first[k]!
      const end = first[k + 1]!
      let d = ground[k]!
      for (let p = begin; p < end; p++) d += mesh[p]!
      const one = d > 0 ? 1 / d : 0
      inverse[k] = one
      const toGround = ground[k]!
      const amps = right[k]!
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
  }

  /** What is driven in, handed on through factors that are already there. */
  private forward(from = 0): void {
    const { mesh, right } = this
    const { first, neighbour, size } = this.plan
    for (let k = from; k < size; k++) {
      const amps = right[k]!
      if (amps === 0) continue
      for (let p = first[k]!; p < first[k + 1]!; p++) right[neighbour[p]!]! += mesh[p]! * amps
    }
  }

  /** Voltages from the last node back to node `from`. */
  private substitute(from: number, into: Float64Array): void {
    const { mesh, inverse, right } = this
    const { first, neighbour, size } = this.plan
    for (let k = size - 1; k >= from; k--) {
      let v = right[k]! * inverse[k]!
      for (let p = first[k]!; p < first[k + 1]!; p++) v += mesh[p]! * into[neighbour[p]!]!
      into[k] = v
    }
  }

  private restoreBase(): void {
    const { boundary, first } = this.plan
    this.mesh.set(this.baseMesh, first[boundary])
    this.ground.set(this.baseGround, boundary)
    this.right.set(this.baseDriven, boundary)
  }

  /** Nonlinear elements as plain conductances, for a first answer. */
  private useChords(): void {
    this.restoreBase()
    const { value } = this
    for (const { law, a, b, slot } of this.curves) {
      if (law.chord !== undefined) {
        join(this.mesh, this.ground, a, b, slot, law.chord)
        continue
      }
      const start = law.start ?? 0
      law.at(start, value)
      join(this.mesh, this.ground, a, b, slot, value.slope)
      const amps = value.slope * start - value.current
      if (a >= 0) this.right[a]! += amps
      if (b >= 0) this.right[b]! -= amps
    }
  }

  /** Nonlinear elements as their tangents, where they have been looked at. */
  private linearise(): void {
    this.restoreBase()
    const { right } = this
    for (let c = 0; c < this.curves.length; c++) {
      const { a, b, slot } = this.curves[c]!
      const g = this.slope[c]!
      const amps = g * this.where[c]! - this.amps[c]!
      join(this.mesh, this.ground, a, b, slot, g)
      if (a >= 0) right[a]! += amps
      if (b >= 0) right[b]! -= amps
    }
  }

  private stepTo(into: Float64Array): void {
    this.eliminate(this.plan.boundary, this.plan.size)
    this.substitute(this.plan.boundary, into)
  }

  private evaluate(at: Float64Array, limiting: boolean): void {
    const { value, where } = this
    this.held = false
    for (let c = 0; c < this.curves.length; c++) {
      const { law, a, b } = this.curves[c]!
      let v = (a < 0 ? 0 : at[a]!) - (b < 0 ? 0 : at[b]!)
      if (limiting && law.limit) {
        const asked = v
        v = law.limit(asked, where[c]!)
        if (Math.abs(v - asked) > 1e-6) this.held = true
      }
      where[c] = v
      law.at(v, value)
      this.slope[c] = value.slope
      this.amps[c] = value.current
    }
  }

  /** Largest failure of Kirchhoff's current law over the boundary's nodes, amps. */
  private boundaryError(at: Float64Array): number {
    const { right } = this
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
    for (let c = 0; c < this.curves.length; c++) {
      const { a, b } = this.curves[c]!
      if (a >= 0) right[a]! -= this.amps[c]!
      if (b >= 0) right[b]! += this.amps[c]!
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
      moved = Math.max(moved, Math.abs(this.next[k]! - this.x[k]!))
    }
    return moved
  }

  /** Currents, and the proof: every node's currents cancel, or it is polished once, or refused. */
  private finish(iterations: number): OperatingPoint | NoEquilibrium {
    const { network, plan, x } = this
    const voltage = new Float64Array(network.nodeCount)
    const current = new Float64Array(network.elements.length)
    const { missing } = this
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
      for (let k = 0; k < plan.size; k++) this.right[k] = missing[plan.order[k]!]!
      this.forward()
      this.substitute(0, this.next)
      for (let k = 0; k < plan.size; k++) x[k]! += this.next[k]!
    }
  }

  /** Current of every element, and what is then missing at every node. */
  private currents(voltage: Float64Array, current: Float64Array): void {
    const { value, ends, siemens, offset, missing } = this
    missing.fill(0)
    for (let i = 0; i < siemens.length; i++) {
      const a = ends[2 * i]!
      const b = ends[2 * i + 1]!
      const amps = (voltage[a]! - voltage[b]!) * siemens[i]! - offset[i]!
      current[i] = amps
      missing[a]! -= amps
      missing[b]! += amps
    }
    for (const { element, law } of this.curves) {
      const a = ends[2 * element]!
      const b = ends[2 * element + 1]!
      law.at(voltage[a]! - voltage[b]!, value)
      current[element] = value.current
      missing[a]! -= value.current
      missing[b]! += value.current
    }
  }

  /** Whether what is missing is no more than rounding of the voltages and of the sums makes of it. */
  private isRounding(voltage: Float64Array, current: Float64Array): boolean {
    const { value, ends, siemens, missing } = this
    const flow = new Float64Array(voltage.length)
    const book = (i: number, slope: number) => {
      const [a, b] = [ends[2 * i]!, ends[2 * i + 1]!]
      const grain =
        (rounding / relativeResidual) * slope * Math.max(Math.abs(voltage[a]!), Math.abs(voltage[b]!))
      const size = Math.max(Math.abs(current[i]!), grain)
      flow[a]! += size
      flow[b]! += size
    }
    for (let i = 0; i < siemens.length; i++) book(i, siemens[i]!)
    for (const { element, law } of this.curves) {
      law.at(voltage[ends[2 * element]!]! - voltage[ends[2 * element + 1]!]!, value)
      book(element, value.slope)
    }
    return missing.every(
      (miss, node) => !node || Math.abs(miss) <= Math.max(currentResidual, relativeResidual * flow[node]!),
    )
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

  private refuse(why: Parameters<typeof say>[0], nodes: readonly number[]): NoEquilibrium {
    return { ok: false, why: say(why), nodes }
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
