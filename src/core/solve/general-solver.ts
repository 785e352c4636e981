import type { KeyOf } from '../../messages/codes'
import { say } from '../document'
import type { CurveValue, Element, Network } from './element'
import { findIslands } from './islands'
import { SparseLU } from './sparse/lu'
import { PatternBuilder, type SparseMatrix } from './sparse/pattern'
import type { DrivenCurrents, NetworkSolver, NoEquilibrium, OperatingPoint } from './operating-point'

/** Newton has converged when no voltage moves by more than this (V); convergence is quadratic, so the error left is far smaller. */
const voltageStep = 1e-6
/** Largest current residual accepted at a node, A, or as a share of the currents through that node. */
const currentResidual = 1e-9
const relativeResidual = 1e-12
const mostIterations = 200

/**
 * Any network, ideal sources included, made ready to be solved: pattern and elimination order are found once, then each solve is a few
 * numeric refactorizations. Modified nodal analysis (Ho, Ruehli and Brennan, IEEE Trans. CAS-22, 1975):
 * unknowns are the node voltages and the currents of ideal sources.
 */
export class GeneralSolver implements NetworkSolver {
  private readonly island: Int32Array
  private readonly matrix: SparseMatrix
  private readonly lu: SparseLU
  /** Four matrix slots per element (aa, bb, ab, ba), −1 where the reference has no row. */
  private readonly slots: Int32Array
  private readonly anchors: { node: number; slot: number }[] = []
  private readonly idealRow: Int32Array
  private readonly size: number
  private readonly x: Float64Array
  private readonly residual: Float64Array
  private readonly step: Float64Array
  private readonly flow: Float64Array
  private readonly curve: CurveValue = { current: 0, slope: 0 }

  constructor(readonly network: Network) {
    const { nodeCount, elements } = network
    this.island = findIslands(network)
    const ideal = elements.flatMap((e, i) => (e.type === 'ideal' ? [i] : []))
    this.idealRow = new Int32Array(elements.length).fill(-1)
    ideal.forEach((i, k) => (this.idealRow[i] = nodeCount - 1 + k))
    this.size = nodeCount - 1 + ideal.length
    const builder = new PatternBuilder(this.size)
    const keys = new Int32Array(elements.length * 4).fill(-1)
    const slot = (row: number, column: number) => (row < 0 || column < 0 ? -1 : builder.slot(row, column))
    elements.forEach((element, i) => {
      const a = element.a - 1
      const b = element.b - 1
      const pairs = element.type === 'ideal' ? idealPairs(a, b, this.idealRow[i]!) : nodalPairs(a, b)
      pairs.forEach(([row, column], k) => (keys[i * 4 + k] = slot(row, column)))
    })
    // Every node has a diagonal entry, so that an unconnected node gives a result instead of a crash.
    const anchorKeys: { node: number; key: number }[] = []
    for (let node = 1; node < nodeCount; node++) {
      const key = builder.slot(node - 1, node - 1)
      if (this.island[node] === node) anchorKeys.push({ node, key })
    }
    const { matrix, place } = builder.build()
    this.matrix = matrix
    this.slots = keys.map((key) => (key < 0 ? -1 : place[key]!))
    this.anchors = anchorKeys.map(({ node, key }) => ({ node, slot: place[key]! }))
    this.lu = new SparseLU(matrix)
    this.x = new Float64Array(this.size)
    this.residual = new Float64Array(this.size)
    this.step = new Float64Array(this.size)
    this.flow = new Float64Array(this.size)
  }

  /**
   * The steady state. `guess` (node voltages, as an earlier `voltage`) makes a nearby solve quicker.
   * Returns a failure rather than values that do not satisfy Kirchhoff's laws.
   */
  solve(guess?: Float64Array): OperatingPoint | NoEquilibrium {
    this.x.fill(0)
    if (guess) for (let node = 1; node < this.network.nodeCount; node++) this.x[node - 1] = guess[node] ?? 0
    let error = this.assemble(true)
    const linear = !this.network.elements.some((e) => e.type === 'nonlinear')
    for (let iteration = 1; iteration <= mostIterations; iteration++) {
      if (!this.lu.factor()) return this.refuse('sources')
      this.step.set(this.residual)
      this.lu.solve(this.step)
      const moved = this.advance(1)
      let next = this.assemble(false)
      let share = 1
      while (!linear && next > error && next > 1 && share > 1 / 1024) {
        share /= 2
        this.advance(-share)
        next = this.assemble(false)
      }
      error = next
      if (!Number.isFinite(error)) return this.refuse('unbounded')
      if (moved * share <= voltageStep && error <= 1) return this.report(iteration)
      // A linear network needs one step; a second removes rounding errors.
      if (linear && iteration >= 3 && error <= 1) return this.report(iteration)
      this.assemble(true)
    }
    return this.refuse('noPoint')
  }

  respondTo(node: number, into: Float64Array): void {
    const { step } = this
    step.fill(0)
    if (node > 0) step[node - 1] = 1
    this.lu.solve(step)
    into[0] = 0
    for (let i = 1; i < this.network.nodeCount; i++) into[i] = step[i - 1]!
  }

  ohmsBetween(p: number, q: number): number {
    const { nodeCount } = this.network
    const [x, y] = [new Float64Array(nodeCount), new Float64Array(nodeCount)]
    this.respondTo(p, x)
    this.respondTo(q, y)
    return x[p]! - x[q]! - y[p]! + y[q]!
  }

  shiftsBy({ count, a, b, amps }: DrivenCurrents, into: Float64Array): void {
    const { nodeCount } = this.network
    const row = new Float64Array(nodeCount)
    for (let node = 0; node < nodeCount; node++) {
      this.respondTo(node, row)
      for (let i = 0; i < count; i++) into[node * count + i] = (row[a[i]!]! - row[b[i]!]!) * amps[i]!
    }
  }

  private advance(share: number): number {
    const { x, step, network } = this
    let moved = 0
    for (let i = 0; i < this.size; i++) {
      x[i]! += share * step[i]!
      if (i < network.nodeCount - 1) moved = Math.max(moved, Math.abs(step[i]!))
    }
    return moved
  }

  /** Fills the residual (and the Jacobian); returns the residual measured in what is allowed. */
  private assemble(withJacobian: boolean): number {
    const { x, residual, flow, slots, network } = this
    const value = this.matrix.value
    if (withJacobian) value.fill(0)
    residual.fill(0)
    flow.fill(0)
    const { elements } = network
    for (let i = 0; i < elements.length; i++) {
      const element = elements[i]!
      const a = element.a - 1
      const b = element.b - 1
      const v = (a < 0 ? 0 : x[a]!) - (b < 0 ? 0 : x[b]!)
      const row = this.idealRow[i]!
      if (element.type === 'ideal') {
        const amps = x[row]!
        this.inject(a, b, amps)
        residual[row]! -= v - element.volts
        flow[row]! += 1
        if (!withJacobian) continue
        for (let k = 0; k < 4; k++) {
          const at = slots[i * 4 + k]!
          if (at >= 0) value[at]! += k % 2 === 0 ? 1 : -1
        }
        continue
      }
      this.law(element, v)
      this.inject(a, b, this.curve.current)
      if (!withJacobian || element.type === 'current') continue
      const g = this.curve.slope
      const base = i * 4
      if (slots[base]! >= 0) value[slots[base]!]! += g
      if (slots[base + 1]! >= 0) value[slots[base + 1]!]! += g
      if (slots[base + 2]! >= 0) value[slots[base + 2]!]! -= g
      if (slots[base + 3]! >= 0) value[slots[base + 3]!]! -= g
    }
    for (const { node, slot } of this.anchors) {
      residual[node - 1]! -= x[node - 1]!
      if (withJacobian) value[slot]! += 1
    }
    let worst = 0
    for (let i = 0; i < this.size; i++) {
      const allowed = Math.max(currentResidual, relativeResidual * flow[i]!)
      worst = Math.max(worst, Math.abs(residual[i]!) / allowed)
      if (Number.isNaN(residual[i]!)) return Number.NaN
    }
    return worst
  }

  private inject(a: number, b: number, amps: number): void {
    const size = Math.abs(amps)
    if (a >= 0) {
      this.residual[a]! -= amps
      this.flow[a]! += size
    }
    if (b >= 0) {
      this.residual[b]! += amps
      this.flow[b]! += size
    }
  }

  private law(element: Element, v: number): void {
    const out = this.curve
    switch (element.type) {
      case 'resistor':
        out.slope = 1 / element.ohms
        out.current = v * out.slope
        return
      case 'source':
        out.slope = 1 / element.ohms
        out.current = (v - element.volts) * out.slope
        return
      case 'current':
        out.slope = 0
        out.current = -element.amps
        return
      case 'nonlinear':
        element.law.at(v, out)
        return
      case 'ideal':
        out.slope = 0
        out.current = 0
    }
  }

  private report(iterations: number): OperatingPoint {
    const { network } = this
    this.assemble(true)
    this.lu.factor()
    const voltage = new Float64Array(network.nodeCount)
    for (let node = 1; node < network.nodeCount; node++) voltage[node] = this.x[node - 1]!
    const current = new Float64Array(network.elements.length)
    network.elements.forEach((element, i) => {
      if (element.type === 'ideal') {
        current[i] = this.x[this.idealRow[i]!]!
      } else {
        this.law(element, voltage[element.a]! - voltage[element.b]!)
        current[i] = this.curve.current
      }
    })
    let residual = 0
    for (let i = 0; i < network.nodeCount - 1; i++) residual = Math.max(residual, Math.abs(this.residual[i]!))
    return { ok: true, voltage, current, island: this.island, iterations, residual }
  }

  private refuse(why: KeyOf<'solve'>): NoEquilibrium {
    const bad: number[] = []
    for (let i = 0; i < this.network.nodeCount - 1; i++) {
      if (!(Math.abs(this.residual[i]!) < 1e-6)) bad.push(i + 1)
    }
    return { ok: false, why: say(`solve.${why}`), nodes: bad }
  }
}

const nodalPairs = (a: number, b: number) =>
  [
    [a, a],
    [b, b],
    [a, b],
    [b, a],
  ] as const

/** Signs alternate + − in this order: column and row of a, column and row of b. */
const idealPairs = (a: number, b: number, row: number) =>
  [
    [a, row],
    [b, row],
    [row, a],
    [row, b],
  ] as const
