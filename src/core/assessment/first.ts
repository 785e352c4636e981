import {
  ampsOfHours,
  complaintOf,
  isShaken,
  stateOf,
  still,
  type Arrangement,
  type BenchState,
  type Order,
} from '../attempt'
import { noticeAll } from '../board'
import { Belief, type Conditions, type Fact, type KeptBelief, type Predictor } from '../diagnosis'

export const conditionsOf = ({ repairs, reseated, renewed, spent }: BenchState): Conditions => ({
  repairs,
  reseated,
  renewed,
  spent,
})

interface Noticed {
  readonly arrangement: Arrangement
  readonly seen: Record<string, string>
}

/**
 * The complaint is the first fact: a fault that would not have brought the customer in is no hypothesis. What comes and goes
 * is there while everything is shaken, and is not there while nothing moves.
 */
export function complaintFacts(predictor: Predictor, order: Order): Fact[] {
  const noticed = new Map<string, Noticed>()
  const flat: Fact[] = []
  for (const { arrangement, part, notice, hours } of complaintOf(order)) {
    if (hours !== undefined) {
      const [low, high] = ampsOfHours(order.circuit, hours)
      flat.push({ type: 'flat', state: stateOf(arrangement), low, high })
      continue
    }
    const key = JSON.stringify(arrangement)
    const found = noticed.get(key) ?? { arrangement, seen: {} }
    found.seen[part] = notice
    noticed.set(key, found)
  }
  const seen = [...noticed.values()].flatMap((one): Fact[] => [
    { type: 'seen', state: stateOf(one.arrangement), seen: one.seen },
    ...(isShaken(order.circuit, one.arrangement) ? usual(predictor, one) : []),
  ])
  return [...seen, ...flat]
}

/** The same parts do as they should while nothing is moved. */
function usual(predictor: Predictor, { arrangement, seen }: Noticed): Fact[] {
  const state = stateOf(still(arrangement))
  const sound = predictor.board(undefined, state)
  if (!sound) return []
  const good = noticeAll(sound).filter(({ part }) => part in seen)
  return [{ type: 'seen', state, seen: Object.fromEntries(good.map(({ part, key }) => [part, key])) }]
}

const firsts = new WeakMap<Predictor, Map<string, Belief>>()

/** What is believed before the first step. */
export function firstBelief(predictor: Predictor, order: Order, prepared?: KeptBelief): Belief {
  const facts = complaintFacts(predictor, order)
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
