import { complaintOf, stateOf, type Order, type Step } from '../attempt'
import { noticeAll } from '../board'
import { rankTests, solveAlong, solveForRanking, type Predictor } from '../diagnosis'
import { conditionsOf, firstBelief, stillAlive } from './first'
import { Judging, type Prepared } from './judging'
import { modelPath } from './model-path'
import { defaultRubric, type Rubric } from './rubric'
import { truthOf } from './truth'
import type { JudgedAttempt } from './verdict'

/** The work that can be done when an order is handed out. */
export function prepareJudging(
  predictor: Predictor,
  order: Order,
  { thresholds }: Pick<Rubric, 'thresholds'> = defaultRubric,
): Prepared {
  const first = firstBelief(predictor, order)
  return { belief: first.kept(), path: modelPath(predictor, order, first, thresholds) }
}

/** Solves the boards that judging the next steps will ask for, where what was prepared has been kept but not the boards. */
export function makeReady(predictor: Predictor, order: Order, prepared: Prepared): void {
  const { start, board } = truthOf(predictor, order)
  const conditions = conditionsOf(start)
  let belief = firstBelief(predictor, order, prepared.belief)
  for (const { arrangement } of complaintOf(order)) {
    const state = stateOf(arrangement)
    const shown = board(start, arrangement)
    if (!shown.ok) continue
    // What whoever verifies the complaint will see.
    const seen = Object.fromEntries(noticeAll(shown).map(({ part, key }) => [part, key]))
    belief = stillAlive(belief, belief.with({ type: 'seen', state, conditions, seen }))
    solveAlong(predictor, belief.distinct, belief.facts, predictor.situation(state, conditions))
  }
  rankTests(belief, order.frame.bag, start, conditions)
  solveForRanking(belief, order.frame.bag, conditions)
}

/** Solves what judging the next step will ask for, of an attempt that goes on: on the bench as it stands, with what is left. */
export function solveAhead(predictor: Predictor, order: Order, judging: Judging): void {
  const { belief, bench } = judging.followed()
  const conditions = conditionsOf(bench)
  const last = judging.taken.findLast((step) => step.type === 'operate' || step.type === 'test')
  if (last) {
    const situation = predictor.situation(stateOf(last.arrangement), conditions)
    solveAlong(predictor, belief.distinct, belief.facts, situation)
  }
  rankTests(belief, order.frame.bag, bench, conditions)
}

/** Judges a whole attempt: every step with its verdicts and reasons, and the mark with its parts. */
export function judgeAttempt(
  predictor: Predictor,
  order: Order,
  steps: readonly Step[],
  rubric: Rubric = defaultRubric,
  prepared?: Prepared,
): JudgedAttempt {
  return new Judging(predictor, order, rubric, prepared).follow(steps).judged()
}
