/** How hard something is, in the order in which it gets harder. */
export const difficultyWords = ['easy', 'fair', 'hard', 'veryHard'] as const
export type DifficultyWord = (typeof difficultyWords)[number]

/** Logits up to which each word goes; of students of usual ability 73, 50 and 27 % find what lies there (common practice, no source). */
const upTo = [-1, 0, 1] as const

/**
 * The word for a difficulty.
 * @param difficulty logits
 */
export const wordOfDifficulty = (difficulty: number): DifficultyWord =>
  difficultyWords[upTo.findIndex((most) => difficulty <= most)] ?? 'veryHard'
