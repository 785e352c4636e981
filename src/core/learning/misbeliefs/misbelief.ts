import type { Work } from './work'

/** A moment at which somebody who holds a wrong idea does something else than somebody who does not. */
export interface Occasion {
  /** Index of the step. */
  readonly step: number
  /** The wrong idea showed. */
  readonly shown: boolean
}

/**
 * A wrong idea that practitioners meet, as a model of what its holder does: where it can show, and how often it does.
 */
export interface Misbelief<K extends string = string> {
  readonly key: K
  /** How often its holder shows it where it can show, and how often somebody who does not hold it does by carelessness. */
  readonly chances: { readonly held: number; readonly not: number }
  /** Kinds of drill in which it can be unlearned, the best first. */
  readonly drills: readonly string[]
  /** Technique rule whose example in the Handbook answers it; none where no rule is about it. */
  readonly rule?: string
  readonly occasions: (work: Work) => readonly Occasion[]
}

/** Usual chances: what is believed shows four times in five; of those who do not believe it one in twenty is careless (common practice, no source). */
export const usual = { held: 0.8, not: 0.05 } as const

export const defineMisbelief = <const K extends string>(misbelief: Misbelief<K>): Misbelief<K> => misbelief
