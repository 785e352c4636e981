import type { Fact } from './evidence'
import { exampleOf } from './example'
import type { Hypothesis } from './hypotheses'
import type { Predictor } from './predictor'

/** What is left after the evidence. */
export interface Standing {
  readonly survivors: readonly Hypothesis[]
  /** Parts that at least one survivor strikes. */
  readonly suspects: ReadonlySet<string>
  /** All other parts that anything can strike: cleared by the evidence. */
  readonly cleared: ReadonlySet<string>
  readonly healthyPossible: boolean
}

/** Suspects and cleared parts after all of `facts`. */
export function standing(predictor: Predictor, facts: readonly Fact[]): Standing {
  return standingOf(
    predictor,
    predictor.hypotheses.filter((h) => facts.every((fact) => predictor.admits(h, fact))),
  )
}

/**
 * The same with only those faults that one severity makes explain all facts together: a fuse cannot be blown for one
 * reading and whole for the next. It costs a search for each survivor, so it is asked for where few are left.
 */
export const coherent = (predictor: Predictor, { survivors }: Standing, facts: readonly Fact[]): Standing =>
  standingOf(
    predictor,
    survivors.filter((h) => h.ends.length < 2 || exampleOf(predictor, h, facts) !== undefined),
  )

export function standingOf(predictor: Predictor, survivors: readonly Hypothesis[]): Standing {
  const suspects = new Set(survivors.flatMap((h) => (h.part ? [h.part] : [])))
  return {
    survivors,
    suspects,
    cleared: new Set(predictor.suspectable.filter((id) => !suspects.has(id))),
    healthyPossible: survivors.some((h) => h.part === undefined),
  }
}

/** The fact, by index, that first excluded the last hypothesis striking `part`; undefined if none did. */
export function clearedBy(predictor: Predictor, facts: readonly Fact[], part: string): number | undefined {
  let left = predictor.hypotheses.filter((h) => h.part === part)
  for (let i = 0; i < facts.length; i++) {
    left = left.filter((h) => predictor.admits(h, facts[i]!))
    if (left.length === 0) return i
  }
  return undefined
}

/**
 * Facts that contradict each other: the fewest whose removal lets some hypothesis survive again.
 * @returns indices into `facts`; empty when nothing contradicts
 */
export function contradiction(predictor: Predictor, facts: readonly Fact[]): number[] {
  let fewest: number[] | undefined
  for (const h of predictor.hypotheses) {
    const against = facts.flatMap((fact, i) => (predictor.admits(h, fact) ? [] : [i]))
    if (!fewest || against.length < fewest.length) fewest = against
    if (against.length === 0) return []
  }
  return fewest ?? []
}
