import type { Misbelief } from './misbelief'
import { misbeliefs, type MisbeliefKey } from './registry'
import type { Work } from './work'

/** What one attempt or one drill says of one wrong idea. */
export interface MisbeliefEvidence {
  readonly misbelief: MisbeliefKey
  /** How often it showed, of how many occasions. */
  readonly shown: number
  readonly occasions: number
  /** Natural logarithm of how much likelier all this is from somebody who holds it. */
  readonly weight: number
  /** Index of the step at which it first showed; null where it did not. */
  readonly step: number | null
}

/** What shows more often than this in one attempt is one slip said again; what does not show is told no oftener. */
const mostOfOne = 2

/**
 * The weight of some occasions: ln P(them | held) − ln P(them | not held), each occasion by itself; of one attempt two at
 * most count, and where it showed only one of those at which it did not: nobody is led by one idea at every step.
 * @param shown how often it showed
 * @param hidden how often it could have shown and did not
 * @returns natural logarithm, 0 where nothing is known
 */
export function weightOf({ chances: { held, not } }: Misbelief, shown: number, hidden: number): number {
  const against = Math.min(hidden, shown ? 1 : mostOfOne)
  return Math.min(shown, mostOfOne) * Math.log(held / not) + against * Math.log((1 - held) / (1 - not))
}

/** What an attempt says of every wrong idea that it had an occasion for. */
export function evidenceIn(work: Work): MisbeliefEvidence[] {
  return misbeliefs.flatMap((one) => {
    const occasions = one.occasions(work)
    if (!occasions.length) return []
    const shown = occasions.filter((occasion) => occasion.shown)
    return [
      {
        misbelief: one.key,
        shown: shown.length,
        occasions: occasions.length,
        weight: weightOf(one, shown.length, occasions.length - shown.length),
        step: shown[0]?.step ?? null,
      },
    ]
  })
}

/** How many of a class hold any one of them before anything is known (common practice, no source). */
const before = 0.06
/** Times that it must have shown before anybody is named: once is a slip. */
export const fewestShown = 2
/** Probability from which it is named. */
export const named = 0.8

/** What is known of one wrong idea of one student. */
export interface Held {
  readonly misbelief: MisbeliefKey
  /** 0 to 1. */
  readonly probability: number
  readonly shown: number
  readonly occasions: number
  /** Sure enough to be told. */
  readonly named: boolean
}

/**
 * How likely it is that a student holds a wrong idea, by Bayes' rule over all occasions.
 * @param weight sum of the weights of all evidence, natural logarithm
 * @returns probability, 0 to 1
 */
export const probabilityOf = (weight: number): number =>
  1 / (1 + Math.exp(-(Math.log(before / (1 - before)) + weight)))

/**
 * The other way round: how much has to speak for a wrong idea.
 * @param probability between 0 and 1
 * @returns weight, natural logarithm
 */
export const weightFor = (probability: number): number =>
  Math.log(probability / (1 - probability)) - Math.log(before / (1 - before))

/** All that some evidence says of one student, the likeliest first. */
export function heldBy(evidence: readonly MisbeliefEvidence[]): Held[] {
  return misbeliefs
    .flatMap(({ key: misbelief }) => {
      const own = evidence.filter((one) => one.misbelief === misbelief)
      if (!own.length) return []
      const sum = (of: (one: MisbeliefEvidence) => number) => own.reduce((all, one) => all + of(one), 0)
      const probability = probabilityOf(sum(({ weight }) => weight))
      const shown = sum((one) => one.shown)
      return [
        {
          misbelief,
          probability,
          shown,
          occasions: sum((one) => one.occasions),
          named: probability >= named && shown >= fewestShown,
        },
      ]
    })
    .sort((p, q) => q.probability - p.probability)
}
