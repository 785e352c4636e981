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

/** A network made ready to be solved again and again. */
export interface NetworkSolver {
  readonly network: Network
  /**
   * The steady state. `guess` (node voltages, as an earlier `voltage`) makes a nearby solve quicker.
   * An honest failure rather than a number that is no equilibrium.
   */
  solve(guess?: Float64Array): OperatingPoint | NoEquilibrium
  /**
   * Solves Jᵀ λ = d at the last operating point. `gradient` has one entry per node and comes back as λ
   * (ohms, per node): the adjoint from which the sensitivity to every parameter follows.
   */
  adjoint(gradient: Float64Array): void
  /** Solves J v = i at the last operating point: node voltages (V) for currents (A) driven into nodes. */
  respond(currents: Float64Array): void
  /** The same for one amp into `node`, into a row of as many entries as there are nodes. */
  respondTo(node: number, into: Float64Array): void
  /** Off-diagonal entries of the factors that are kept, for the benchmark. */
  readonly fill: number
}
