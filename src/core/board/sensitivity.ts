import type { DrivenCurrents } from '../solve'
import type { SolvedBoard } from './solved'

/** How the voltage between two nodes answers to a milliamp there, and to every part's tolerance. */
export interface Sensitivity {
  /** Ohms that a small current meets between the two nodes. */
  readonly ohms: number
  /** Half-width of the band that the parts' tolerances leave, volts. */
  readonly band: number
}

/** What each element's tolerance drives into the network, and between which nodes. */
function tolerancesOf({ board, point }: SolvedBoard): DrivenCurrents {
  const { elements } = board
  const a = new Int32Array(elements.length)
  const b = new Int32Array(elements.length)
  const amps = new Float64Array(elements.length)
  let count = 0
  for (let i = 0; i < elements.length; i++) {
    const element = elements[i]!
    if (!element.tolerance) continue
    const shift =
      element.type === 'source'
        ? element.tolerance / element.ohms
        : Math.abs(point.current[i]!) * element.tolerance
    if (shift === 0) continue
    a[count] = element.a
    b[count] = element.b
    amps[count++] = shift
  }
  return { count, a, b, amps }
}

/** Memory that the last board has given back: keys are made by the dozen, and as much for each. */
const none: Float64Array = new Float64Array(0)
let spare = none
/** Entries beyond which memory is not held on to (16 MB). */
const mostSpare = 2 ** 21

/**
 * Sensitivities of the voltages between many pairs of nodes of one solved board, by the adjoint (Director and Rohrer,
 * IEEE Trans. CT-16, 1969): what every tolerance does at every node, and every pair from those of its two ends.
 * Independent tolerances spread evenly over ± t have standard deviation t/√3; three of those are taken, but never more
 * than the sum of all, which is the worst case.
 */
export class Sensitivities {
  private readonly count: number
  /** Volts that each tolerance adds at each node, node after node. */
  private readonly shifts: Float64Array

  constructor(private readonly solved: SolvedBoard) {
    const tolerances = tolerancesOf(solved)
    this.count = tolerances.count
    const needed = solved.board.nodeCount * tolerances.count
    this.shifts = spare.length >= needed ? spare : new Float64Array(needed)
    spare = none
    solved.solver.shiftsBy(tolerances, this.shifts)
  }

  between(p: number, q: number): Sensitivity {
    if (p === q) return { ohms: 0, band: 0 }
    const { island } = this.solved.point
    if (island[p] !== island[q]) return { ohms: Infinity, band: 0 }
    const { shifts, count } = this
    const [x, y] = [p * count, q * count]
    let worst = 0
    let squares = 0
    for (let i = 0; i < count; i++) {
      const shift = shifts[x + i]! - shifts[y + i]!
      worst += Math.abs(shift)
      squares += shift * shift
    }
    return { ohms: this.solved.solver.ohmsBetween(p, q), band: Math.min(worst, Math.sqrt(3 * squares)) }
  }

  /** Gives the memory back; nothing may be asked afterwards. */
  release(): void {
    if (this.shifts.length <= mostSpare && this.shifts.length > spare.length) spare = this.shifts
  }
}
