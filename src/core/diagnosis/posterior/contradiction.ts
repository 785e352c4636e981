import type { Fact } from '../evidence/fact'
import { Belief } from './belief'
import type { Predictor } from './predictor'

/**
 * Facts that contradict each other: the fewest, one or two, whose removal lets something be possible again.
 * @returns indices into `facts`; empty where nothing contradicts, or nothing so small does
 */
export function contradiction(predictor: Predictor, facts: readonly Fact[]): number[] {
  const stands = (left: readonly Fact[]): boolean => {
    let belief = Belief.of(predictor)
    for (const fact of left) {
      belief = belief.with(fact)
      if (belief.alive.length === 0) return false
    }
    return true
  }
  if (stands(facts)) return []
  const without = (...out: number[]) => facts.filter((_, i) => !out.includes(i))
  // The last one first: up to there everything was possible.
  const order = facts.map((_, i) => i).reverse()
  for (const i of order) if (stands(without(i))) return [i]
  for (const i of order) for (const k of order) if (k < i && stands(without(i, k))) return [k, i]
  return []
}
