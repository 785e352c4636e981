import type { Fault } from '../faults'
import type { Fact } from './evidence'
import type { Hypothesis } from './hypotheses'
import type { Predictor } from './predictor'

/** Halvings of a severity's cell, on a log scale: a tenth of a per cent of a decade. */
const mostHalvings = 10

/**
 * One exact fault of a hypothesis under which every fact would have come about, each reading within its band; undefined
 * where no single severity explains them all together, though some severity may explain each.
 */
export function exampleOf(
  predictor: Predictor,
  hypothesis: Hypothesis,
  facts: readonly Fact[],
): Fault | undefined {
  const fits = (ends: readonly Fault[]): boolean =>
    facts.every((fact) => predictor.admits({ ...hypothesis, ends }, fact))
  const [low, high] = hypothesis.ends
  if (!low) return undefined
  if (!high) return fits([low]) ? low : undefined
  const search = (from: Fault, to: Fault, depth: number): Fault | undefined => {
    if (!fits([from, to])) return undefined
    const middle: Fault = { ...from, severity: Math.sqrt(from.severity! * to.severity!) }
    if (fits([middle])) return middle
    if (depth === mostHalvings) return [from, to].find((end) => fits([end]))
    return search(from, middle, depth + 1) ?? search(middle, to, depth + 1)
  }
  return search(low, high, 0)
}
