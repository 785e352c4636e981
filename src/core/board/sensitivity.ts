import type { SolvedBoard } from './solved'

/** How the voltage between two nodes answers to a milliamp there, and to every part's tolerance. */
export interface Sensitivity {
  /** Ohms that a small current meets between the two nodes. */
  readonly ohms: number
  /** Half-width of the band that the parts' tolerances leave, volts. */
  readonly band: number
}

/** What each element's tolerance drives into the network, amps; and between which nodes. */
interface Shifts {
  readonly count: number
  readonly a: Int32Array
  readonly b: Int32Array
  readonly amps: Float64Array
}

function shiftsOf({ board, point }: SolvedBoard): Shifts {
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

/**
 * Sensitivities of the voltages between many pairs of nodes of one solved board, by the adjoint (Director and Rohrer,
 * IEEE Trans. CT-16, 1969): one back-substitution per node, and every pair from those of its two ends.
 * Independent tolerances spread evenly over ± t have standard deviation t/√3; three of those are taken, but never more
 * than the sum of all, which is the worst case.
 */
export class Sensitivities {
  private readonly shifts: Shifts
  private readonly rows = new Map<number, Float64Array>()
  private static readonly spare: Float64Array[] = []

  constructor(private readonly solved: SolvedBoard) {
    this.shifts = shiftsOf(solved)
  }

  between(p: number, q: number): Sensitivity {
    if (p === q) return { ohms: 0, band: 0 }
    const { island } = this.solved.point
    if (island[p] !== island[q]) return { ohms: Infinity, band: 0 }
    const x = this.row(p)
    const y = this.row(q)
    const { count, a, b, amps } = this.shifts
    let worst = 0
    let squares = 0
    if (q === 0) {
      for (let i = 0; i < count; i++) {
        const effect = Math.abs((x[a[i]!]! - x[b[i]!]!) * amps[i]!)
        worst += effect
        squares += effect * effect
      }
    } else {
      for (let i = 0; i < count; i++) {
        const effect = Math.abs((x[a[i]!]! - x[b[i]!]! - y[a[i]!]! + y[b[i]!]!) * amps[i]!)
        worst += effect
        squares += effect * effect
      }
    }
    return {
      ohms: Math.max(0, x[p]! - x[q]! - y[p]! + y[q]!),
      band: Math.min(worst, Math.sqrt(3 * squares)),
    }
  }

  /** Gives the memory back; nothing may be asked afterwards. */
  release(): void {
    for (const row of this.rows.values()) if (Sensitivities.spare.length < 2000) Sensitivities.spare.push(row)
    this.rows.clear()
  }

  /** Volts at every node for one amp into `node`. */
  private row(node: number): Float64Array {
    const known = this.rows.get(node)
    if (known) return known
    const { nodeCount } = this.solved.board
    let row = Sensitivities.spare.pop()
    if (row?.length !== nodeCount) row = new Float64Array(nodeCount)
    this.solved.solver.respondTo(node, row)
    this.rows.set(node, row)
    return row
  }
}
