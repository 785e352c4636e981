import { dequal } from 'dequal/lite'
import { heldByPoints } from '../instruments'
import { repairOf, type Order, type Step, type StepOf } from '../attempt'
import type { Belief } from '../diagnosis'
import { findPieces } from '../model'
import type { Thresholds } from './rubric'

/** So many good parts put in on a guess are a search by parts. */
const search = 3

/** So many parts may change places before anything points to them. */
const freeSwaps = 1

/**
 * What was bought with parts instead of reasoned for. Whoever replaces something that was not concluded, or in vain, and looks
 * again, learns whether that piece had the fault: at the price of the piece.
 */
export class Bought {
  private readonly named = new Set<string>()
  /** The repair before the next look was put in on a guess, or in vain. */
  private onAGuess = false
  private guesses = 0

  constructor(private readonly order: Order) {}

  /** Good parts were put in one after the other before anything pointed to them. */
  get swapped(): boolean {
    return this.guesses >= search
  }

  concluded(piece: string): void {
    for (const { id } of findPieces(this.order.circuit, piece)) this.named.add(id)
  }

  /**
   * @param belief what is reasoned until now
   * @param thresholds of the rubric that marks the attempt
   */
  repaired(step: StepOf<'repair'>, belief: Belief, { early }: Thresholds): void {
    const pieces = findPieces(this.order.circuit, step.piece).map(({ id }) => id)
    const cured = step.did?.cured === true
    this.onAGuess = !cured || !pieces.some((id) => this.named.has(id))
    // Where the readings point to a piece, a new part is no guess though it was in vain.
    const pointed = belief.doubtOfAny(pieces) > Math.max(early, 1 / 4)
    if (!cured && repairOf(step.by).consumes && !pointed) this.guesses++
  }

  /**
   * Parts that changed places. One swap on a guess is the trade's own quarrel; the box gone through is a search by parts.
   * @param moved parts of whom another stands in their place since this step
   * @param belief what is reasoned until now
   */
  exchanged(moved: readonly string[], belief: Belief, { early }: Thresholds): void {
    for (const id of moved) {
      const pieces = findPieces(this.order.circuit, id).map((piece) => piece.id)
      if (belief.doubtOfAny(pieces) > Math.max(early, 1 / 4)) continue
      this.swaps++
      if (this.swaps <= freeSwaps) continue
      this.guesses++
      this.onTrial.add(id)
    }
  }
  private swaps = 0
  /** Parts that were swapped on a guess once too often: what their places show is bought. */
  private readonly onTrial = new Set<string>()

  /** Whether what a step shows was paid for by the repair before it: a look, or a test that had been made before. */
  buys(step: StepOf<'operate' | 'test'>, steps: readonly Step[]): boolean {
    const { swapped = [], spares = [] } = step.arrangement
    if ([...swapped.flat(), ...spares].some((id) => this.onTrial.has(id))) return true
    if (!this.onAGuess) return false
    if (step.type === 'operate') return true
    const before = steps.slice(
      0,
      steps.findLastIndex((s) => s.type === 'repair'),
    )
    return before.some(
      (s) =>
        s.type === 'test' &&
        s.instrument === step.instrument &&
        dequal(heldByPoints(this.order.circuit, s.held), heldByPoints(this.order.circuit, step.held)) &&
        dequal(s.arrangement, step.arrangement),
    )
  }
}
