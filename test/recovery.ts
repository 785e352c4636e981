import { frameSchema } from '../src/core/attempt'
import { firstBelief } from '../src/core/assessment'
import { Predictor } from '../src/core/diagnosis'
import { evidenceIn, heldBy, workOf, type MisbeliefEvidence, type MisbeliefKey } from '../src/core/learning'
import { demoLessons } from '../src/server/demo/demo'
import { Chance } from './chance'
import { workAs, type Handed } from './holders'
import { complaintOf } from './students'

/** One set of a demo lesson that a simulated student can work at. */
interface Board extends Omit<Handed, 'chance'> {
  readonly predictor: Predictor
}

/** Attempts after which a wrong idea is looked for. */
export const attempts = 6

/** Orders of the demo's lessons, worked by students of whom it is known what they hold. */
export class Recovery {
  readonly boards: readonly Board[]
  private readonly fitting = new Map<MisbeliefKey, readonly Board[]>()

  /** @param most lessons that orders are drawn from; all of them unless said */
  constructor(most = Infinity) {
    this.boards = demoLessons()
      .slice(0, most)
      .flatMap(({ circuit, sets, frame: own }) =>
        sets.flatMap(({ faults: planted }): Board[] => {
          const complained = complaintOf(circuit, planted)
          if (!complained) return []
          const frame = frameSchema.parse({ ...own, complaint: complained.complaint })
          const predictor = new Predictor(circuit, undefined, planted, frame.faults)
          return [{ circuit, planted, complained, frame, predictor }]
        }),
      )
  }

  /** What one attempt says; undefined where the board offers no such way. */
  private evidence(
    idea: MisbeliefKey | undefined,
    board: Board,
    chance: Chance,
    careless: number,
  ): MisbeliefEvidence[] | undefined {
    try {
      const attempt = workAs(idea, { ...board, chance }, careless)
      if (!attempt) return undefined
      const belief = firstBelief(board.predictor, attempt.order).kept()
      return evidenceIn(workOf(board.predictor, attempt.order, attempt.steps, { belief, path: [] }))
    } catch {
      // A way that this board does not offer: a place that an instrument does not reach, a fuse that is gone.
      return undefined
    }
  }

  /** Orders in which an idea can show at all: a class that is to be told apart is given these. */
  private boardsFor(idea: MisbeliefKey): readonly Board[] {
    const known = this.fitting.get(idea)
    if (known) return known
    const found = this.boards.filter((board) =>
      [5, 6].some((seed) =>
        this.evidence(idea, board, new Chance(seed), 0)?.some(
          (one) => one.misbelief === idea && one.shown > 0,
        ),
      ),
    )
    this.fitting.set(idea, found)
    return found
  }

  /** What is named of one student after six attempts. */
  named(idea: MisbeliefKey | undefined, seed: number, careless: number): readonly MisbeliefKey[] {
    const chance = new Chance(seed)
    const boards = idea === undefined ? this.boards : this.boardsFor(idea)
    const all: MisbeliefEvidence[] = []
    for (let done = 0, tries = 0; done < attempts && tries < 60 && boards.length; tries++) {
      const found = this.evidence(idea, chance.pick(boards), chance, careless)
      if (!found) continue
      all.push(...found)
      done++
    }
    return heldBy(all).flatMap(({ misbelief, named }) => (named ? [misbelief] : []))
  }
}
