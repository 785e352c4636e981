import type { Network } from './element'
import { GeneralSolver } from './general-solver'
import { MeshSolver } from './mesh-solver'
import type { NetworkSolver, NoEquilibrium, OperatingPoint } from './operating-point'

/** Solves a network by star–mesh elimination, or by the general way where a source is ideal. */
export class Solver implements NetworkSolver {
  private readonly inner: NetworkSolver

  constructor(readonly network: Network) {
    const ideal = network.elements.some((element) => element.type === 'ideal')
    this.inner = ideal ? new GeneralSolver(network) : new MeshSolver(network)
  }

  solve(guess?: Float64Array): OperatingPoint | NoEquilibrium {
    return this.inner.solve(guess)
  }

  adjoint(gradient: Float64Array): void {
    this.inner.adjoint(gradient)
  }

  respond(currents: Float64Array): void {
    this.inner.respond(currents)
  }

  respondTo(node: number, into: Float64Array): void {
    this.inner.respondTo(node, into)
  }

  get fill(): number {
    return this.inner.fill
  }
}
