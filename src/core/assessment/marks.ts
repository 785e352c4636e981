import type { Rubric } from './rubric'
import { aspects, type Aspect, type Judgement, type Mark } from './verdict'

/**
 * What an attempt without evidence cannot collect: inference and the choice of tests are worth what the evidence is worth;
 * predictions and technique, which may be right though they led nowhere, its square root.
 */
const gates: Readonly<Partial<Record<Aspect, (gate: number) => number>>> = {
  prediction: Math.sqrt,
  technique: Math.sqrt,
  inference: (gate) => gate,
  efficiency: (gate) => gate,
}
/** Share of the doubt removed from which the evidence is enough. */
const enough = 0.8
const spoken = new Set(['inference', 'efficiency'])
/** What is left of it where the conclusion shows that it was not understood. */
const misread = 0.4

/**
 * Each aspect's points: its weight times the mean share over what was judged. Nothing judged earns nothing.
 * @param evidence share of the doubt that the evidence removed, 0 to 1
 */
export function marksOf(
  judgements: readonly Judgement[],
  rubric: Rubric,
  evidence: number,
): { marks: Mark[]; total: number; of: number; uncapped?: number } {
  const concluded = judgements.filter((j) => j.aspect === 'conclusion')
  const wrong = concluded.length > 0 && concluded.every((j) => !j.share)
  const gate = Math.min(1, evidence / enough)
  const marks = aspects.map((aspect): Mark => {
    const of = rubric.weights[aspect]
    const own = judgements.filter((j) => j.aspect === aspect && j.share !== undefined)
    const mean = own.length
      ? meanOf(aspect === 'technique' ? worstOfEachStep(judgements) : own)
      : // Nothing was claimed on the way, or no test was there to be chosen: the conclusion speaks for it.
        spoken.has(aspect) && concluded.length && !wrong
        ? evidence
        : 0
    const cost = judgements.reduce((sum, j) => sum + (j.aspect === aspect ? (j.cost ?? 0) : 0), 0)
    return {
      aspect,
      of,
      points: round(
        Math.max(0, (gates[aspect]?.(gate) ?? 1) * (gates[aspect] && wrong ? misread : 1) * mean * of - cost),
      ),
    }
  })
  const whole = round(marks.reduce((sum, m) => sum + m.points, 0))
  const of = marks.reduce((sum, m) => sum + m.of, 0)
  const cap = round(rubric.graveCap * of)
  const grave = judgements.some((j) => j.aspect === 'safety')
  return grave && whole > cap ? { marks, total: cap, of, uncapped: whole } : { marks, total: whole, of }
}

/**
 * The mark that counts: the judge's, with what the instructor put in place of its points. A cap for a grave error of safety
 * stays where it was, and nobody has more than all.
 * @returns points of 100
 */
export function givenTotal(
  {
    marks,
    total,
    of,
    uncapped,
  }: { marks: readonly Mark[]; total: number; of: number; uncapped?: number | undefined },
  overrides: readonly { readonly aspect: Aspect; readonly points: number }[],
): number {
  const own = (aspect: Aspect) => overrides.find((o) => o.aspect === aspect)?.points
  if (!marks.some(({ aspect }) => own(aspect) !== undefined)) return total
  const sum = round(marks.reduce((all, { aspect, points }) => all + (own(aspect) ?? points), 0))
  return Math.min(sum, uncapped === undefined ? of : total)
}

/** One test has one technique: its worst mistake, safety included, counts. */
function worstOfEachStep(judgements: readonly Judgement[]): Judgement[] {
  const worst = new Map<number, Judgement>()
  for (const j of judgements) {
    if ((j.aspect !== 'technique' && j.aspect !== 'safety') || j.share === undefined) continue
    const known = worst.get(j.step)
    if (!known || j.share < known.share!) worst.set(j.step, j)
  }
  return [...worst.values()]
}

function meanOf(judged: readonly Judgement[]): number {
  let [sum, weights] = [0, 0]
  for (const { share = 0, weight = 1 } of judged) {
    sum += share * weight
    weights += weight
  }
  return weights > 0 ? sum / weights : 0
}

const round = (points: number): number => Math.round(points * 10) / 10
