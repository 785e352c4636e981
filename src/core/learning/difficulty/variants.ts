/** Logits within which variants of a test lie, so that nobody has it harder than another. */
export const alikeWithin = 0.5

/**
 * The most sets that are alike in difficulty; of several groups as large the easiest.
 * @param difficulties one for each set, logits; null where it is not known: such a set is like no other
 * @returns places of the sets, in their order
 */
export function alikeSets(difficulties: readonly (number | null)[]): number[] {
  const known = difficulties.flatMap((difficulty, i) => (difficulty === null ? [] : [{ difficulty, i }]))
  known.sort((p, q) => p.difficulty - q.difficulty)
  let best: number[] = []
  for (const { difficulty: least } of known) {
    const group = known
      .filter(({ difficulty }) => difficulty >= least && difficulty <= least + alikeWithin + 1e-9)
      .map(({ i }) => i)
    if (group.length > best.length) best = group
  }
  return best.sort((p, q) => p - q)
}

/**
 * How much harder one has it than another.
 * @param difficulties logits
 * @returns logits; 0 where fewer than two are known
 */
export function apartBy(difficulties: readonly (number | null)[]): number {
  const known = difficulties.filter((one) => one !== null)
  return known.length < 2 ? 0 : Math.max(...known) - Math.min(...known)
}
