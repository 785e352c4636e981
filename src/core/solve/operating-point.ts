import type { Message } from '../document'
import type { Network } from './element'

export interface OperatingPoint {
  readonly ok: true
  /** Volts over the reference, one per node. In a floating island, over that island's first node. */
  readonly voltage: Float64Array
  /** Amps through each element from a to b, one per element. */
  readonly current: Float64Array
  /** 0 = tied to the reference; otherwise the number of the floating island. One per node. */
  readonly island: Int32Array
  readonly iterations: number
  /** Largest failure of Kirchhoff's current law over all nodes, amps. */
  readonly residual: number
}

export interface NoEquilibrium {
  readonly ok: false
  readonly why: Message
  /** Nodes where it goes wrong, if that is known. */
  readonly nodes: readonly number[]
}

/** Small currents, each driven out of node b into node a from outside. */
export interface DrivenCurrents {
  readonly count: number
  readonly a: Int32Array
  readonly b: Int32Array
  /** A */
  readonly amps: Float64Array
}

/** A network prepared for repeated solving. */
export interface NetworkSolver {
  readonly network: Network
  /**
   * The steady state. `guess` (node voltages, as an earlier `voltage`) makes a nearby solve quicker.
   * Returns a failure rather than values that do not satisfy Kirchhoff's laws.
   */
  solve(guess?: Float64Array): OperatingPoint | NoEquilibrium
  /** Volts at every node for one amp into `node`, at the last operating point: one entry per node. */
  respondTo(node: number, into: Float64Array): void
  /** Ohms that a small current meets between two nodes of one island, at the last operating point. */
  ohmsBetween(p: number, q: number): number
  /**
   * Volts by which each of many small currents moves each node, at the last operating point: node after node, one entry
   * per current.
   */
  shiftsBy(currents: DrivenCurrents, into: Float64Array): void
}
