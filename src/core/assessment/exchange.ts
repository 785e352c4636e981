import { type Order, type Step, type StepOf } from '../attempt'
import { bodyAt } from '../board'
import type { Belief } from '../diagnosis'
import { say } from '../document'
import { findPieces } from '../model'
import type { Judgement } from './verdict'

/** Parts of whom another stands in their place since this step. */
export function freshlyMoved(
  { arrangement }: StepOf<'operate' | 'test'>,
  earlier: readonly Step[],
): string[] {
  const last = earlier.findLast(
    (s): s is StepOf<'operate' | 'test'> => s.type === 'operate' || s.type === 'test',
  )
  const before = last?.arrangement ?? {}
  const named = [...(arrangement.swapped ?? []).flat(), ...(arrangement.spares ?? [])]
  return named.filter((id) => bodyAt(arrangement, id) !== bodyAt(before, id))
}

/**
 * What swapping a part has told: whether it was the part, and what it leaves open. Whether to swap first or to test first is a
 * quarrel of the trade, and is said as one.
 */
export function judgeExchange(
  { circuit, spares = [] }: Order,
  step: StepOf<'operate' | 'test'>,
  earlier: readonly Step[],
  before: Belief,
  after: Belief,
  at: number,
): Judgement | undefined {
  const moved = freshlyMoved(step, earlier)
  const [part] = moved
  if (part === undefined) return undefined
  const pieces = moved.flatMap((id) => findPieces(circuit, id).map((piece) => piece.id))
  const share = (belief: Belief) => ({ shown: String(Math.round(100 * belief.doubtOfAny(pieces))) })
  const told = say('assessment.swapTold', { parts: moved, before: share(before), after: share(after) })
  const bad = moved.find((id) => step.arrangement.spares?.includes(id) && spares.some((f) => f.part === id))
  return {
    aspect: 'efficiency',
    step: at,
    grade: 'neutral',
    verdict: say('assessment.swapped'),
    reason: say('assessment.both', {
      first: told,
      second: bad === undefined ? say('assessment.swapOrTest') : say('assessment.badSpare', { id: bad }),
    }),
  }
}
