import type { SolvedBoard } from './board'

/**
 * Half-width of the band in which the voltage between two nodes lies, from the parts' tolerances: first-order
 * sensitivities by the adjoint (Director and Rohrer, IEEE Trans. CT-16, 1969), one back-substitution.
 * Independent tolerances spread evenly over ± t have standard deviation t/√3; three of those are taken, but
 * never more than the sum of all, which is the worst case.
 * @returns volts
 */
export function voltageBand({ board, point, solver }: SolvedBoard, a: number, b: number): number {
  if (point.island[a] !== point.island[b]) return 0
  const lambda = new Float64Array(board.nodeCount)
  if (a === b) return 0
  lambda[a]! += 1
  lambda[b]! -= 1
  solver.adjoint(lambda)
  let worst = 0
  let squares = 0
  board.elements.forEach((element, i) => {
    if (!element.tolerance) return
    const shift =
      element.type === 'source'
        ? element.tolerance / element.ohms
        : Math.abs(point.current[i]!) * element.tolerance
    const effect = Math.abs((lambda[element.a]! - lambda[element.b]!) * shift)
    worst += effect
    squares += effect * effect
  })
  return Math.min(worst, Math.sqrt(3 * squares))
}

/** Ohms that a small current meets between two nodes at the operating point; Infinity across islands. */
export function smallSignalOhms({ board, point, solver }: SolvedBoard, a: number, b: number): number {
  if (a === b) return 0
  if (point.island[a] !== point.island[b]) return Infinity
  const currents = new Float64Array(board.nodeCount)
  currents[a]! += 1
  currents[b]! -= 1
  solver.respond(currents)
  return currents[a]! - currents[b]!
}
