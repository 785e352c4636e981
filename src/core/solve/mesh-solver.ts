import type { KeyOf } from '../../messages/codes'
import { say } from '../document'
import { compileNetwork } from './compiled'
import type { CurveValue, Law, Network } from './element'
import { slicesOf } from './memory'
import type { DrivenCurrents, NetworkSolver, NoEquilibrium, OperatingPoint } from './operating-point'
import type { Elimination } from './sparse/elimination'
import { Responses } from './responses'
import { Factors } from './sparse/factors'
import type { Scratch, Structure } from './structure'

/**
 * Newton has converged when the last step moved no voltage by more than this (V). Convergence is quadratic: the error left is
 * far below a nanovolt.
 */
const voltageStep = 1e-6
/** Largest current residual accepted at a node, A, or as a share of the currents through that node. */
const currentResidual = 1e-9
const relativeResidual = 1e-10
const mostIterations = 200
/** Maximum damped iterations (a law limited its step) before a line search. */
const mostHolds = 12
/** Relative rounding error of a voltage: across a micro-ohm joint it becomes a current residual that is no real error. */
const rounding = 4e-16

/**
 * The operating point of a network of conductances, sources behind ohms, current sources and monotone nonlinear elements:
 * Newton by star–mesh elimination. The linear nodes are eliminated once; each iteration works on the boundary alone, the
 * nodes that nonlinear elements touch.
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
  /** Currents driven into each node, by rank, A; the share that eliminated linear nodes pass on is added during elimination. */
  private readonly driven: Float64Array
  private readonly factors: Factors
  private readonly responses: Responses
  /** The network after the linear nodes are eliminated, from the boundary on. */
  private readonly baseMesh: Float64Array
  private readonly baseGround: Float64Array
  private readonly baseDriven: Float64Array
  private readonly value: CurveValue = { current: 0, slope: 0 }
  private held = false
  private prepared = false
  /** Shared with other networks of the same pattern; holds nothing between two calls. */
  private readonly scratch: Scratch

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
    this.factors = new Factors(plan, scratch.right, take)
    this.responses = new Responses(this.factors, scratch)
    this.baseMesh = take(baseMeshes)
    this.baseGround = take(boundary)
    this.baseDriven = take(boundary)
    this.nonlinear = nonlinear
    this.laws = laws
    const { factors, driven } = this
    const { a: ranksA, b: ranksB } = ranks
    for (let i = 0; i < count; i++) {
      const g = siemens[i]!
      const amps = offset[i]!
      if (amps !== 0) {
        if (ranksA[i]! >= 0) driven[ranksA[i]!]! += amps
        if (ranksB[i]! >= 0) driven[ranksB[i]!]! -= amps
      }
      if (g !== 0) factors.join(ranksA[i]!, ranksB[i]!, slots[i]!, g)
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
          // After a full step the linear currents cancel by construction: the residual is the error of the tangents.
          let after = this.evaluate(next, holds < mostHolds)
          const { held } = this
          if (held) holds++
          // A limited law's current does not belong to these voltages, so a line search makes no sense.
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
      this.factors.substitute(0, x, boundary)
    } else {
      this.restoreBase()
      this.factors.eliminate(boundary, size)
      this.factors.substitute(0, x)
    }
    return this.finish(Math.max(1, iterations))
  }

  /** Eliminates the linear nodes once: their factors do not change between solves. */
  private prepare(): void {
    if (this.prepared) {
      this.scratch.right.set(this.driven)
      return
    }
    const { plan, driven } = this
    const { mesh, ground, right } = this.factors
    const { boundary, size, first } = plan
    right.set(driven)
    this.factors.eliminate(0, boundary)
    const { baseMesh, baseGround, baseDriven } = this
    const cut = first[boundary]!
    for (let p = 0; p < baseMesh.length; p++) baseMesh[p] = mesh[cut + p]!
    for (let k = boundary; k < size; k++) {
      baseGround[k - boundary] = ground[k]!
      baseDriven[k - boundary] = right[k]!
    }
    driven.set(right)
    this.prepared = true
  }

  private restoreBase(): void {
    const { boundary, first } = this.plan
    this.factors.mesh.set(this.baseMesh, first[boundary])
    this.factors.ground.set(this.baseGround, boundary)
    this.scratch.right.set(this.baseDriven, boundary)
  }

  /** Nonlinear elements as chord conductances, or as tangents where the law has no chord, for a starting point. */
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

  /** Nonlinear elements as their tangents at the voltages last evaluated. */
  private linearise(): void {
    this.restoreBase()
    const { a: ranksA, b: ranksB, slot: slots } = this.nonlinear
    const { right, slope, amps, where } = this.scratch
    for (let c = 0; c < slots.length; c++) {
      const a = ranksA[c]!
      const b = ranksB[c]!
      const slot = slots[c]!
      const g = slope[c]!
      const driven = g * where[c]! - amps[c]!
      this.factors.join(a, b, slot, g)
      if (a >= 0) right[a]! += driven
      if (b >= 0) right[b]! -= driven
    }
  }

  private stepTo(into: Float64Array): void {
    this.factors.eliminate(this.plan.boundary, this.plan.size)
    this.factors.substitute(this.plan.boundary, into)
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
    const { boundary, size } = this.plan
    const { next, x } = this.scratch
    let moved = 0
    for (let k = boundary; k < size; k++) {
      const step = Math.abs(next[k]! - x[k]!)
      if (!(step <= moved)) moved = step
    }
    return moved
  }

  respondTo(node: number, into: Float64Array): void {
    this.responses.respondTo(node, into)
  }

  ohmsBetween(p: number, q: number): number {
    return this.responses.ohmsBetween(p, q)
  }

  shiftsBy(currents: DrivenCurrents, into: Float64Array): void {
    this.responses.shiftsBy(currents, into)
  }

  /** Computes the currents and checks Kirchhoff's current law at every node; refines, or refuses the result. */
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
      // Most solutions balance to a nanoampere; where they do not, tell rounding from a real error.
      if (residual <= currentResidual || this.isRounding(voltage, current)) {
        this.settleIslands(voltage)
        return { ok: true, voltage, current, island: this.island, iterations, residual }
      }
      if (polish === 8) {
        const nodes = Array.from(missing.keys()).filter((node) => Math.abs(missing[node]!) > 1e-6)
        return this.refuse('sources', nodes)
      }
      for (let k = 0; k < plan.size; k++) this.scratch.right[k] = missing[plan.order[k]!]!
      this.factors.forward()
      this.factors.substitute(0, this.scratch.next)
      for (let k = 0; k < plan.size; k++) x[k]! += this.scratch.next[k]!
    }
  }

  /** Current of every element, and the residual at every node. */
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

  /** Whether the residuals are no larger than rounding of voltages and sums explains. */
  private isRounding(voltage: Float64Array, current: Float64Array): boolean {
    const { ends, siemens, nonlinear } = this
    const { missing, slope } = this.scratch
    const flow = new Float64Array(voltage.length)
    const grain = rounding / relativeResidual
    const book = (i: number, siemens: number) => {
      const a = ends[2 * i]!
      const b = ends[2 * i + 1]!
      // Only nodes that miss by more are asked about.
      if (Math.abs(missing[a]!) <= currentResidual && Math.abs(missing[b]!) <= currentResidual) return
      const size = Math.max(
        Math.abs(current[i]!),
        grain * siemens * Math.max(Math.abs(voltage[a]!), Math.abs(voltage[b]!)),
      )
      flow[a]! += size
      flow[b]! += size
    }
    for (let i = 0; i < siemens.length; i++) book(i, siemens[i]!)
    for (let c = 0; c < nonlinear.element.length; c++) book(nonlinear.element[c]!, slope[c]!)
    for (let node = 1; node < flow.length; node++)
      if (Math.abs(missing[node]!) > Math.max(currentResidual, relativeResidual * flow[node]!)) return false
    return true
  }

  /** In a floating island, voltages are relative to its first node. */
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
