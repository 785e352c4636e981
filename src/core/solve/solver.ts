import type { Element, Network } from './element'
import { GeneralSolver } from './general-solver'
import { MeshSolver } from './mesh-solver'
import type { DrivenCurrents, NetworkSolver, NoEquilibrium, OperatingPoint } from './operating-point'

/** Siemens laid beside every curve, one after the other, while a network is led to its answer. */
const ladder = [10, 3, 1, 0.3, 0.1, 0.03, 0.01, 3e-3, 1e-3, 3e-4, 1e-4, 1e-5, 1e-6, 1e-8, 1e-10]

/**
 * Solves a network by star–mesh elimination, or by the general way where a source is ideal. Where Newton's way finds no
 * answer from where it starts, the network is led to it: a conductance beside every curve is taken away step by step,
 * each answer being where the next begins (gmin stepping; Nagel, SPICE2, Memorandum ERL-M520, 1975).
 */
export class Solver implements NetworkSolver {
  private readonly inner: NetworkSolver

  constructor(readonly network: Network) {
    this.inner = solverOf(network)
  }

  solve(guess?: Float64Array): OperatingPoint | NoEquilibrium {
    const direct = this.inner.solve(guess)
    if (direct.ok || !this.network.elements.some((e) => e.type === 'nonlinear')) return direct
    const fresh = guess ? this.inner.solve() : direct
    if (fresh.ok) return fresh
    const led = this.lead()
    return led ? this.inner.solve(led) : fresh
  }

  respondTo(node: number, into: Float64Array): void {
    this.inner.respondTo(node, into)
  }

  ohmsBetween(p: number, q: number): number {
    return this.inner.ohmsBetween(p, q)
  }

  shiftsBy(currents: DrivenCurrents, into: Float64Array): void {
    this.inner.shiftsBy(currents, into)
  }

  /** Voltages near the answer, or undefined where the way there breaks off. */
  private lead(): Float64Array | undefined {
    let at: Float64Array | undefined
    let found: Float64Array | undefined
    for (const siemens of ladder) {
      const eased = this.network.elements.flatMap((element): Element[] =>
        element.type === 'nonlinear'
          ? [
              element,
              { type: 'resistor', a: element.a, b: element.b, ohms: 1 / siemens, owner: element.owner },
            ]
          : [element],
      )
      const point = solverOf({ ...this.network, elements: eased }).solve(at)
      if (!point.ok) continue
      at = point.voltage.slice()
      found = at
    }
    return found
  }
}

function solverOf(network: Network): NetworkSolver {
  const { elements, compiled } = network
  // Only a network without an ideal source has been compiled.
  if (compiled?.elements === elements) return new MeshSolver(network)
  return elements.some(({ type }) => type === 'ideal') ? new GeneralSolver(network) : new MeshSolver(network)
}
