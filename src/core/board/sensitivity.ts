import { cached } from '../cache'
import type { DrivenCurrents } from '../solve'
import type { SolvedBoard } from './solved-board'

/** How the voltage between two nodes answers to a milliamp there, and to every part's tolerance. */
export interface Sensitivity {
  /** Ohms that a small current meets between the two nodes. */
  readonly ohms: number
  /** Half-width of the band that the parts' tolerances leave, volts. */
  readonly band: number
}

/** What each element's tolerance drives into the network (A, signed as its current), and between which nodes. */
export interface Tolerances extends DrivenCurrents {
  /** Which of the board's elements each belongs to. */
  readonly element: Int32Array
}

/** Tolerances of a board's elements; those that drive nothing are left out. */
export const tolerancesOf = cached(
  { owner: (solved: SolvedBoard) => solved },
  ({ board, point }): Tolerances => {
    const { elements } = board
    const [a, b, element] = [0, 1, 2].map(() => new Int32Array(elements.length)) as [
      Int32Array,
      Int32Array,
      Int32Array,
    ]
    const amps = new Float64Array(elements.length)
    let count = 0
    for (let i = 0; i < elements.length; i++) {
      const own = elements[i]!
      if (!own.tolerance) continue
      const shift = own.type === 'source' ? own.tolerance / own.ohms : point.current[i]! * own.tolerance
      if (shift === 0) continue
      a[count] = own.a
      b[count] = own.b
      element[count] = i
      amps[count++] = shift
    }
    return { count, a, b, amps, element }
  },
)

/**
 * Volts that each tolerance of a board adds between two nodes, in the order of `tolerancesOf`.
 * @param p node
 * @param q node
 * @returns V
 */
export function shiftsBetween(solved: SolvedBoard, p: number, q: number): Float64Array {
  const { count, a, b, amps } = tolerancesOf(solved)
  const [x, y] = [solved.response(p), solved.response(q)]
  const shifts = new Float64Array(count)
  for (let i = 0; i < count; i++) shifts[i] = (x[a[i]!]! - x[b[i]!]! - y[a[i]!]! + y[b[i]!]!) * amps[i]!
  return shifts
}

/**
 * Sensitivity of the voltage between one pair of nodes; of many pairs of one board, `Sensitivities` is quicker.
 * @param p node
 * @param q node
 */
export function sensitivityBetween(solved: SolvedBoard, p: number, q: number): Sensitivity {
  if (p === q) return { ohms: 0, band: 0 }
  if (!solved.tied(p, q)) return { ohms: Infinity, band: 0 }
  let worst = 0
  let squares = 0
  for (const shift of shiftsBetween(solved, p, q)) {
    worst += Math.abs(shift)
    squares += shift * shift
  }
  return { ohms: solved.ohms(p, q), band: Math.min(worst, Math.sqrt(3 * squares)) }
}

const none: Float64Array = new Float64Array(0)
/** Memory that the last board has given back: keys are made by the dozen, and as much for each. */
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
    solved.shiftsBy(tolerances, this.shifts)
  }

  between(p: number, q: number): Sensitivity {
    if (p === q) return { ohms: 0, band: 0 }
    if (!this.solved.tied(p, q)) return { ohms: Infinity, band: 0 }
    const { shifts, count } = this
    const [x, y] = [p * count, q * count]
    // Two sums of each kind: an addition need not wait for the one before it.
    let worst = 0
    let others = 0
    let squares = 0
    let further = 0
    const even = count & ~1
    for (let i = 0; i < even; i += 2) {
      const one = shifts[x + i]! - shifts[y + i]!
      const next = shifts[x + i + 1]! - shifts[y + i + 1]!
      worst += Math.abs(one)
      others += Math.abs(next)
      squares += one * one
      further += next * next
    }
    if (even < count) {
      const last = shifts[x + even]! - shifts[y + even]!
      worst += Math.abs(last)
      squares += last * last
    }
    worst += others
    squares += further
    return { ohms: this.solved.ohms(p, q), band: Math.min(worst, Math.sqrt(3 * squares)) }
  }

  /** Gives the memory back; nothing may be asked afterwards. */
  release(): void {
    if (this.shifts.length <= mostSpare && this.shifts.length > spare.length) spare = this.shifts
  }
}
