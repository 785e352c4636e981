import { firstBelief, honestWays, type Rubric } from '../../assessment'
import type { Order } from '../../attempt'
import type { KeptBelief, Predictor } from '../../diagnosis'
import { messageOf, say, type Message } from '../../document'
import { instrumentOf } from '../../instruments'
import { deceptionsOf } from './deceptions'

/** What makes a fault hard to find, in the order in which it is told where several weigh alike. */
export const reasonKeys = ['bits', 'tests', 'minutes', 'deceptions', 'conditions', 'rivals'] as const
export type ReasonKey = (typeof reasonKeys)[number]

export interface Reason {
  readonly key: ReasonKey
  /** Logits that it adds. */
  readonly adds: number
  readonly says: Message
}
/** How hard an order is before anybody has tried it. */
export interface Difficulty {
  /** Logits; 0 is the dim lamp of a first lesson. */
  readonly difficulty: number
  /** Its standard deviation, logits. */
  readonly spread: number
  /** What adds most, the most first. */
  readonly reasons: readonly Reason[]
}

/**
 * Weights of the sum, logits each (common practice, no source: chosen so that what instructors call easy, fair, hard and very
 * hard in the demo's lessons falls under those words; attempts correct it).
 */
export const weights = {
  /** For nothing at all: makes the first lesson's dim lamp 0. */
  base: -3.2,
  bit: 0.3,
  test: 0.2,
  minute: 0.03,
  /** For all tests in reach that read sound. */
  deceived: 1.5,
  foolsOhms: 0.2,
  moving: 0.9,
  inTime: 0.5,
  fewStates: 0.3,
  secondFault: 0.9,
  rival: 0.15,
  /** For each piece that no test parts from it at the end. */
  twin: 0.25,
} as const
/** More pieces than so many are no harder to keep apart. */
const mostRivals = 6
/** Spread of the sum about what students find, logits, where all honest ways are alike (common practice, no source). */
const usualSpread = 0.8

/**
 * Difficulty of an order as a weighted sum: the doubt that the complaint leaves, the tests and minutes of the best honest way,
 * tests that read sound though the fault is in their reach, conditions under which alone it shows, and pieces that read alike
 * until late.
 */
export function difficultyOf(
  predictor: Predictor,
  order: Order,
  thresholds: Rubric['thresholds'],
  kept?: KeptBelief,
): Difficulty {
  const first = firstBelief(predictor, order, kept)
  const ways = [...honestWays(predictor, order, first, thresholds)]
    .map((path) => ({
      tests: path.length,
      minutes: path.reduce((sum, { minutes }) => sum + minutes, 0),
      late: path.at(-2)?.left ?? 1,
      left: path.at(-1)?.left ?? 1,
    }))
    .sort((p, q) => p.left - q.left || p.minutes - q.minutes)
  const best = ways[0] ?? { tests: 0, minutes: 0, late: 1, left: 1 }
  const found = deceptionsOf(predictor, order)
  const { planted } = order
  const rivals = Math.min(mostRivals, Math.max(0, best.late - 1))
  const twins = Math.min(mostRivals, Math.max(0, best.left - 1))
  const conditions = [
    [planted.some(({ moving }) => moving), weights.moving, 'learning.onlyMoved'],
    [order.frame.complaint.some(({ hours }) => hours !== undefined), weights.inTime, 'learning.onlyInTime'],
    [2 * found.states.shows <= found.states.of, weights.fewStates, 'learning.onlyInStates'],
    [found.foolsOhms, weights.foolsOhms, 'learning.foolsOhms'],
    [planted.length > 1, weights.secondFault, 'learning.secondFault'],
  ] as const
  const reasons: Reason[] = [
    { key: 'bits', adds: weights.bit * first.bits, says: say('learning.bits', { bits: round(first.bits) }) },
    { key: 'tests', adds: weights.test * best.tests, says: say('learning.tests', { count: best.tests }) },
    {
      key: 'minutes',
      adds: weights.minute * best.minutes,
      says: say('learning.minutes', { minutes: Math.round(best.minutes) }),
    },
    {
      key: 'deceptions',
      adds: weights.deceived * found.share,
      says: say('learning.deceptions', {
        share: Math.round(100 * found.share),
        instruments: found.by.slice(0, 2).map((key) => messageOf(instrumentOf(key).title)),
      }),
    },
    ...conditions.flatMap(([holds, adds, code]): Reason[] =>
      holds ? [{ key: 'conditions', adds, says: say(code, found.states) }] : [],
    ),
    {
      key: 'rivals',
      adds: weights.rival * rivals + weights.twin * twins,
      says: twins
        ? say('learning.twins', { count: twins + 1 })
        : say('learning.rivals', { count: rivals + 1 }),
    },
  ]
  const sum = reasons.reduce<number>((all, { adds }) => all + adds, weights.base)
  // Where the honest ways differ, so will the students who take them.
  const minutes = ways.map((way) => way.minutes)
  const apart = ways.length ? (Math.max(...minutes) - Math.min(...minutes)) * weights.minute : 0
  return {
    difficulty: sum,
    spread: Math.hypot(usualSpread, apart / 2),
    reasons: reasons.filter(({ adds }) => adds >= told).sort((p, q) => q.adds - p.adds),
  }
}

/** Logits below which a reason is not worth telling. */
const told = 0.1
const round = (value: number): number => Math.round(10 * value) / 10
