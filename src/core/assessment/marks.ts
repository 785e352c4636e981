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
/** What a proven conclusion says of the claims that were not made, as a share of inference. */
const impliedByProof = 0.5
/** Share of what the readings had cleared from which all of it counts as claimed: nobody strikes out to the last piece. */
const saidEnough = 0.6
/** Share of tests that had an aim from which the choice counts in full, and up to which it counts for nothing. */
const aimed = { none: 0.2, enough: 0.5, technique: 0.6 }
/** Tests from which technique and predictions have been shown: one may be luck. */
const shownBy = 2

/** What an attempt as a whole has to show beside its judgements; all shares from 0 to 1. */
export interface Account {
  /** Of the doubt: what the evidence removed that was reasoned for, not bought with parts. */
  readonly evidence: number
  /** Of what the readings had cleared by the conclusion: what was struck out; 1 where they had cleared nothing. */
  readonly said: number
  /** A conclusion was proven by what was reasoned. */
  readonly proven: boolean
  /** How much of the way was understood, by where it ended. */
  readonly understood: number
  /** Of the tests: those that could tell something. */
  readonly aim: number
  /** Good parts were replaced one after the other before anything pointed to them. */
  readonly swapped: boolean
}

/** Each aspect's points: its weight times the mean share over what was judged. Nothing judged earns nothing. */
export function marksOf(
  judgements: readonly Judgement[],
  rubric: Rubric,
  account: Account,
): { marks: Mark[]; total: number; of: number; uncapped?: number } {
  const { evidence, understood, swapped } = account
  const gate = Math.min(1, evidence / enough)
  const marks = aspects.map((aspect): Mark => {
    const of = rubric.weights[aspect]
    const earned = shares[aspect]?.(judgements, account) ?? meanIn(judgements, aspect)
    const cost = judgements.reduce((sum, j) => sum + (j.aspect === aspect ? (j.cost ?? 0) : 0), 0)
    const gated = gates[aspect]
    const points = earned * (gated ? gated(gate) * understood : 1) * of - cost
    return { aspect, of, points: round(Math.max(0, points)) }
  })
  const whole = round(marks.reduce((sum, m) => sum + m.points, 0))
  const of = marks.reduce((sum, m) => sum + m.of, 0)
  const grave = judgements.some((j) => j.aspect === 'safety')
  const cap = round(of * Math.min(grave ? rubric.graveCap : 1, swapped ? rubric.swapCap : 1))
  return whole > cap ? { marks, total: cap, of, uncapped: whole } : { marks, total: whole, of }
}

/** What an aspect earns, where it is more than the mean of its judgements. */
const shares: Partial<Record<Aspect, (judgements: readonly Judgement[], account: Account) => number>> = {
  inference: (judgements, { said, proven, evidence, aim }) => {
    const base = proven ? impliedByProof * Math.min(1, aim / aimed.enough) : 0
    const claims = sharesIn(judgements, 'inference')
    // Nothing had been cleared that could be said: the evidence speaks for itself.
    if (!claims.length) return said === 1 && proven ? evidence : base
    return meanOf(claims) * (base + (1 - base) * Math.min(1, said / saidEnough))
  },
  efficiency: (judgements, { aim, proven, evidence }) => {
    const chosen = sharesIn(judgements, 'efficiency')
    const reach = Math.max(0, Math.min(1, (aim - aimed.none) / (aimed.enough - aimed.none)))
    return (chosen.length ? meanOf(chosen) : proven ? evidence : 0) * reach
  },
  // What is measured without aim is no technique shown again.
  technique: (judgements, { aim }) =>
    meanOf(worstOfEachStep(judgements)) *
    Math.min(1, aim / aimed.technique) *
    shownIn(judgements, 'technique'),
  prediction: (judgements) => meanIn(judgements, 'prediction') * shownIn(judgements, 'prediction'),
}

/** How far an aspect has been shown at all, by how many tests. */
const shownIn = (judgements: readonly Judgement[], aspect: Aspect): number =>
  Math.min(1, new Set(sharesIn(judgements, aspect).map(({ step }) => step)).size / shownBy)

const sharesIn = (judgements: readonly Judgement[], aspect: Aspect): readonly Judgement[] =>
  judgements.filter((j) => j.aspect === aspect && j.share !== undefined)
const meanIn = (judgements: readonly Judgement[], aspect: Aspect): number =>
  meanOf(sharesIn(judgements, aspect))

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
