import type { Chance } from '../../test/chance'
import type { Way } from './ways'

/** What a student brings along, and how it grows. */
export interface Learner {
  /** Log odds of working well at the first lesson. */
  readonly start: number
  /** What each meeting adds to them. */
  readonly growth: number
  /** How the student works when it goes wrong. */
  readonly weakness: Way
  /** The student’s own way of going about it, of the trade’s. */
  readonly habit: number
}

const weaknesses: readonly Way[] = [
  'unloaded',
  'deadPart',
  'fuseFirst',
  'unloaded',
  'everyPoint',
  'silent',
  'deadPart',
  'rough',
  'swap',
  'unloaded',
  'silent',
  'rough',
]

/** Some begin strong, some weak; most grow, a few hardly do. */
export function learner(n: number, chance: Chance): Learner {
  return {
    start: -1.3 + 2.6 * chance.next(),
    growth: n % 6 === 4 ? 0.02 : 0.1 + 0.2 * chance.next(),
    weakness: weaknesses[n % weaknesses.length]!,
    habit: chance.below(4),
  }
}

/** How much harder than the first each lesson is, in the same log odds. */
const harder = [0, 0.3, 0.8, 0.9, 1.2, 1.6, 1.5, 1.4]

/** In which way a student works this time. */
export function wayOf(who: Learner, meeting: number, lesson: number, chance: Chance): Way {
  const odds = who.start + who.growth * meeting - (harder[lesson] ?? 1)
  const well = 1 / (1 + Math.exp(-odds))
  const luck = chance.next()
  if (luck < 0.7 * well) return chance.next() < 0.15 ? 'meterAndLamp' : 'textbook'
  if (luck < well) return 'careful'
  if (luck < well + 0.75 * (1 - well)) return who.weakness
  return chance.pick(['guess', 'rough', 'everyPoint', 'deadPart'] as const)
}

/** Lessons by their place in the course, meeting by meeting, the last ones being yesterday's and today's. */
export const course = [0, 0, 1, 2, 2, 3, 3, 4, 5, 6, 7] as const
/** The two rounds of the last meeting: a relay circuit, then one that was not seen for a while. */
export const lastRounds = [2, 4] as const
