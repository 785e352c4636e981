import { complaintOf, stateOf, type BenchState, type Order } from '../attempt'
import { Belief, type Conditions, type Fact, type KeptBelief, type Predictor } from '../diagnosis'

export const conditionsOf = ({ repairs, reseated, renewed, spent }: BenchState): Conditions => ({
  repairs,
  reseated,
  renewed,
  spent,
})

/** The complaint is the first fact: a fault that would not have brought the customer in is no hypothesis. */
export function complaintFacts(order: Order): Fact[] {
  const byState = new Map<string, { state: ReturnType<typeof stateOf>; seen: Record<string, string> }>()
  for (const { arrangement, part, notice } of complaintOf(order)) {
    const state = stateOf(arrangement)
    const key = JSON.stringify(arrangement)
    const found = byState.get(key) ?? { state, seen: {} }
    found.seen[part] = notice
    byState.set(key, found)
  }
  return [...byState.values()].map(({ state, seen }) => ({ type: 'seen', state, seen }))
}

const firsts = new WeakMap<Predictor, Map<string, Belief>>()

/** What is believed before the first step. */
export function firstBelief(predictor: Predictor, order: Order, prepared?: KeptBelief): Belief {
  const facts = complaintFacts(order)
  let known = firsts.get(predictor)
  if (!known) firsts.set(predictor, (known = new Map()))
  const key = JSON.stringify(facts)
  let first = known.get(key)
  if (!first) {
    first =
      (prepared && Belief.restored(predictor, prepared.alive.length ? facts : [], prepared)) ??
      facts.reduce((belief, fact) => stillAlive(belief, belief.with(fact)), Belief.of(predictor))
    known.set(key, first)
  }
  return first
}

/** A complaint that nothing explains is no fact. */
export const stillAlive = (before: Belief, after: Belief): Belief => (after.alive.length ? after : before)
