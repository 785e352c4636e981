import { ohmsLive } from './kinds/ohms-live'
import { samePoint } from './kinds/same-point'
import { dropWithoutLoad } from './kinds/drop-without-load'
import { zeroIsNotPerfect } from './kinds/zero-is-not-perfect'
import { coldOhmsTrusted } from './kinds/cold-ohms-trusted'
import { complaintNotVerified } from './kinds/complaint-not-verified'
import { leadsReversed } from './kinds/leads-reversed'
import { sameTestAgain } from './kinds/same-test-again'
import type { TechniqueRule } from './rule'

/** Mistakes that instructors see again and again, as rules over one test. A new rule is its file and its line here. */
export const techniqueRules: readonly TechniqueRule[] = [
  ohmsLive,
  samePoint,
  dropWithoutLoad,
  zeroIsNotPerfect,
  coldOhmsTrusted,
  complaintNotVerified,
  leadsReversed,
  sameTestAgain,
]

/** English of the rules, for the words: `rules.ohmsLive.title`. */
export const ruleTexts: Readonly<Record<string, string>> = Object.fromEntries(
  techniqueRules.flatMap(({ key, title, say, instead }) => [
    [`rules.${key}.title`, title],
    [`rules.${key}.say`, say],
    [`rules.${key}.instead`, instead],
  ]),
)
