import { defaultRubric, judgeAttempt, prepareJudging, type JudgedAttempt } from '../../src/core/assessment'
import { complaintWords, draftComplaint, frameSchema, type Order, type Step } from '../../src/core/attempt'
import { Predictor } from '../../src/core/diagnosis'
import type { Lesson } from '../../src/core/lab'
import { tell } from '../../src/core/words'
import type { Attempt } from '../../test/attempt'
import type { Chance } from '../../test/chance'
import { complaintOf } from '../../test/students'
import { guided } from './guided'
import { habitOf, ways, type Way } from './ways'

/** One set of a lesson as it is handed out, with what judging it needs. */
export class Board {
  readonly order: Order
  readonly complaint: string
  private readonly predictor: Predictor
  private readonly prepared
  private readonly complained
  /** No path from post to post leads to it: it is looked for test by test. */
  private readonly byTests: boolean

  constructor(
    { circuit, sets, frame }: Lesson,
    readonly lesson: number,
    readonly set: number,
    private readonly chance: Chance,
  ) {
    const { faults: planted, complaint } = sets[set]!
    const facts = draftComplaint(circuit, planted)
    const words = complaintWords(circuit, facts)
    this.complaint = complaint || (words ? tell(words) : '')
    this.order = { circuit, planted, frame: frameSchema.parse({ ...frame, complaint: facts }) }
    this.predictor = new Predictor(circuit, undefined, planted, this.order.frame.faults)
    this.prepared = prepareJudging(this.predictor, this.order)
    this.complained = complaintOf(circuit, planted)
    this.byTests = this.judge(this.worked('textbook', 0)?.steps ?? []).total < 60
  }

  private worked(way: Way, habit: number): Attempt | undefined {
    const { circuit, planted, frame } = this.order
    const { complained } = this
    if (!complained) return undefined
    try {
      return ways[way]({ circuit, planted, complained, frame, habit: habitOf(habit), chance: this.chance })
    } catch {
      // A way that this board does not offer: a lamp on it, a fuse in it.
      return undefined
    }
  }

  /** How a student works at it who goes about it in one of the ways. */
  attempt(way: Way, habit: number): Attempt {
    const { chance } = this
    const worked = this.byTests ? undefined : this.worked(way, habit)
    if (worked) return worked
    const well = way === 'textbook' || way === 'meterAndLamp' || way === 'careful'
    const care = well
      ? { out: way === 'careful' ? 0.25 : 0.05, says: true, sure: 70 + 10 * chance.below(4) }
      : { out: 0.6, tests: 1 + chance.below(2), says: way !== 'silent', sure: 40 + 10 * chance.below(5) }
    return guided(this.predictor, this.order, this.prepared, care, chance)
  }

  judge(steps: readonly Step[]): JudgedAttempt {
    return judgeAttempt(this.predictor, this.order, steps, defaultRubric, this.prepared)
  }
}
