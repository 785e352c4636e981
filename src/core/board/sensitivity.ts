import { cached } from '../cache'
import type { DrivenCurrents } from '../solve'
import { seriesOf, toleranceAmps, type Series } from './series'
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
      const shift = toleranceAmps(own, point.current[i]!)
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
 * IEEE Trans. CT-16, 1969): what every tolerance does at every node, and every pair from those of its two ends. Tolerances
 * in series are taken together: a harness of 64 lamps has 398 tolerances in 67 runs.
 * Independent tolerances spread evenly over ± t have standard deviation t/√3; three of those are taken, but never more
 * than the sum of all, which is the worst case.
 */
export class Sensitivities {
  private readonly series: Series
  /** Volts at each node for a volt in each run of elements in series, node after node. */
  private readonly shifts: Float64Array
  private worst = 0
  private squares = 0

  constructor(private readonly solved: SolvedBoard) {
    const { board, point } = solved
    this.series = seriesOf(board, point)
    const needed = board.nodeCount * this.series.count
    this.shifts = spare.length >= needed ? spare : new Float64Array(needed)
    spare = none
    solved.shiftsBy(this.series, this.shifts)
  }

  between(p: number, q: number): Sensitivity {
    if (p === q) return { ohms: 0, band: 0 }
    if (!this.solved.tied(p, q)) return { ohms: Infinity, band: 0 }
    const { run, count } = this.series
    this.worst = this.squares = 0
    // Inside a run its own tolerances are looked at one by one.
    const [one, other] = [Math.min(run[p]!, run[q]!), Math.max(run[p]!, run[q]!)]
    let from = 0
    if (one >= 0) {
      this.addOutside(p, q, 0, one)
      this.addInside(p, q, one)
      from = one + 1
    }
    if (other >= 0 && other !== one) {
      this.addOutside(p, q, from, other)
      this.addInside(p, q, other)
      from = other + 1
    }
    this.addOutside(p, q, from, count)
    return { ohms: this.solved.ohms(p, q), band: Math.min(this.worst, Math.sqrt(3 * this.squares)) }
  }

  /** Adds what runs `from` to `to` do between two nodes outside them. */
  private addOutside(p: number, q: number, from: number, to: number): void {
    const { shifts } = this
    const { count, sum, squares } = this.series
    const [x, y] = [p * count, q * count]
    let worst = 0
    let square = 0
    for (let i = from; i < to; i++) {
      const volts = shifts[x + i]! - shifts[y + i]!
      worst += Math.abs(volts) * sum[i]!
      square += volts * volts * squares[i]!
    }
    this.worst += worst
    this.squares += square
  }

  /** Adds what one run does between two nodes of which at least one lies inside it. */
  private addInside(p: number, q: number, own: number): void {
    const { shifts } = this
    const { count, first, place, share, driven, run, at } = this.series
    const volts = shifts[p * count + own]! - shifts[q * count + own]!
    const end = -1
    const [pAt, qAt] = [run[p] === own ? at[p]! : end, run[q] === own ? at[q]! : end]
    const source = driven[own]!
    for (let j = first[own]!; j < first[own + 1]!; j++) {
      const here = place[j]!
      const shift = (volts + moved(pAt, here, source) - moved(qAt, here, source)) * share[j]!
      this.worst += Math.abs(shift)
      this.squares += shift * shift
    }
  }

  /** Gives the memory back; nothing may be asked afterwards. */
  release(): void {
    if (this.shifts.length <= mostSpare && this.shifts.length > spare.length) spare = this.shifts
  }
}

/** Volts by which a node at place `at` of a run moves when one volt goes from place `driven` to place `here`; none outside the run. */
const moved = (at: number, here: number, driven: number): number =>
  at < 0 ? 0 : (at >= here ? 1 : 0) - (at >= driven ? 1 : 0)
