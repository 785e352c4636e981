import type { NetworkSolver, OperatingPoint } from '../solve'
import { refOf, type SegmentRef } from '../circuit'
import { ampsOf, type Board } from './board'

/** Something switches to and fro without end: every phase of it, each solved, and the ids of the parts that do so. */
export interface LimitCycle {
  readonly phases: readonly SolvedBoard[]
  readonly parts: readonly string[]
}

/** A board at its operating point: the one way to its volts, amps and responses. */
export class SolvedBoard {
  readonly ok = true as const
  private readonly rows = new Map<number, Float64Array>()

  constructor(
    readonly board: Board,
    readonly point: OperatingPoint,
    private readonly solver: NetworkSolver,
    readonly limitCycle?: LimitCycle,
  ) {}

  /** The same board as the first phase of a cycle. */
  inCycle(cycle: LimitCycle): SolvedBoard {
    return new SolvedBoard(this.board, this.point, this.solver, cycle)
  }

  /** Fuses that have melted, by part id. */
  get blown(): ReadonlySet<string> {
    return this.board.blown
  }

  /** Every phase of a board that switches to and fro, taken as equally long; the board itself otherwise. */
  get phases(): readonly SolvedBoard[] {
    return this.limitCycle?.phases ?? [this]
  }

  /** Whether anything ties two nodes together. */
  tied(a: number, b: number): boolean {
    const { island } = this.point
    return island[a] === island[b]
  }

  /**
   * @returns volts of node a over node b; undefined where nothing ties the two together; the mean over the phases of a
   *   board that switches to and fro
   */
  volts(a: number, b: number): number | undefined {
    const { voltage } = this.point
    if (!this.limitCycle) return this.tied(a, b) ? voltage[a]! - voltage[b]! : undefined
    let sum = 0
    // What floats in one phase keeps the meter at nothing for that while.
    for (const phase of this.phases) sum += phase.volts(a, b) ?? 0
    return sum / this.phases.length
  }

  /** @returns amps through a segment, from its first terminal to its second, 0 where it is open; the mean over all phases */
  amps(part: string, segment: string): number {
    return this.ampsOf(refOf(part, segment))
  }

  /** The same for a segment by its name. */
  ampsOf(segment: SegmentRef): number {
    if (!this.limitCycle) return ampsOf(this.board, this.point, segment)
    const { phases } = this
    return phases.reduce((sum, p) => sum + ampsOf(p.board, p.point, segment), 0) / phases.length
  }

  /** @returns volts at every node for one amp into `node` (V/A), at the operating point; of a board that switches, in its first phase */
  response(node: number): Float64Array {
    let row = this.rows.get(node)
    if (!row) {
      row = new Float64Array(this.board.nodeCount)
      if (node !== 0) this.solver.respondTo(node, row)
      this.rows.set(node, row)
    }
    return row
  }

  /** @returns ohms that a small current meets between two nodes; Infinity where nothing ties them together */
  ohms(a: number, b: number): number {
    if (a === b) return 0
    return this.tied(a, b) ? this.solver.ohmsBetween(a, b) : Infinity
  }

  /** Volts by which each of many small currents moves each node: `NetworkSolver.shiftsBy`. */
  shiftsBy(...args: Parameters<NetworkSolver['shiftsBy']>): void {
    this.solver.shiftsBy(...args)
  }
}
