import { type Message, say } from '../document'
import { percentOf } from './inference'
import type { Rubric } from './rubric'
import { aspects, type Aspect, type Judgement, type Mark } from './verdict'

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

/** Each aspect's points: its weight times the mean share over what was judged, less what the whole attempt leaves of it. */
export function marksOf(
  judgements: readonly Judgement[],
  rubric: Rubric,
  account: Account,
): { marks: Mark[]; total: number; of: number; uncapped?: number } {
  const { swapped } = account
  const marks = aspects.map((aspect): Mark => {
    const of = rubric.weights[aspect]
    const earned = shares[aspect]?.(judgements, account) ?? meanIn(judgements, aspect)
    const parts = (lessBy[aspect] ?? []).map((by) => by(account, judgements))
    const cost = judgements.reduce((sum, j) => sum + (j.aspect === aspect ? (j.cost ?? 0) : 0), 0)
    const points = parts.reduce((left, { share }) => left * share, earned) * of - cost
    const less = earned > 0 ? parts.filter(({ share }) => share < lessFrom).map(({ why }) => why) : []
    return { aspect, of, points: round(Math.max(0, points)), ...(less.length && { less }) }
  })
  const whole = round(marks.reduce((sum, m) => sum + m.points, 0))
  const of = marks.reduce((sum, m) => sum + m.of, 0)
  const grave = judgements.some((j) => j.aspect === 'safety')
  const cap = round(of * Math.min(grave ? rubric.graveCap : 1, swapped ? rubric.swapCap : 1))
  return whole > cap ? { marks, total: cap, of, uncapped: whole } : { marks, total: whole, of }
}

/** Above it nothing is said: no tenth of a point hangs on it. */
const lessFrom = 0.995

/** What an aspect earns step by step, where it is more than the mean of its judgements. */
const shares: Partial<Record<Aspect, (judgements: readonly Judgement[], account: Account) => number>> = {
  // Where nothing was claimed, what the whole attempt leaves of it says what that is worth.
  inference: (judgements) => (sharesIn(judgements, 'inference').length ? meanIn(judgements, 'inference') : 1),
  efficiency: (judgements, { proven, evidence }) =>
    sharesIn(judgements, 'efficiency').length ? meanIn(judgements, 'efficiency') : proven ? evidence : 0,
  technique: (judgements) => meanOf(worstOfEachStep(judgements)),
}

/** What the whole attempt leaves of an aspect, 0 to 1, and why. */
type Less = (
  account: Account,
  judgements: readonly Judgement[],
) => { readonly share: number; readonly why: Message }

/** What an attempt without evidence cannot collect: what led nowhere. */
const byEvidence =
  (curve = (gate: number): number => gate): Less =>
  ({ evidence }) => ({
    share: curve(Math.min(1, evidence / enough)),
    why: say('assessment.lessEvidence', { percent: percentOf(evidence), enough: percentOf(enough) }),
  })
const byUnderstanding: Less = ({ understood }) => ({
  share: understood,
  why: say('assessment.lessUnderstood', { percent: percentOf(understood) }),
})
const byTests =
  (aspect: Aspect): Less =>
  (_, judgements) => ({ share: shownIn(judgements, aspect), why: say('assessment.lessShown') })
/** What is measured without aim is no technique shown again. */
const byAim =
  (none: number, all: number): Less =>
  ({ aim }) => ({
    share: Math.max(0, Math.min(1, (aim - none) / (all - none))),
    why: say('assessment.lessAim', { percent: percentOf(aim), enough: percentOf(all) }),
  })
const bySaying: Less = ({ said, proven, evidence, aim }, judgements) => {
  const base = proven ? impliedByProof * Math.min(1, aim / aimed.enough) : 0
  if (sharesIn(judgements, 'inference').length)
    return {
      share: base + (1 - base) * Math.min(1, said / saidEnough),
      why: say('assessment.lessSaid', { percent: percentOf(said), enough: percentOf(saidEnough) }),
    }
  // Nothing had been cleared that could be said: the evidence speaks for itself.
  return said === 1 && proven
    ? { share: evidence, why: say('assessment.lessToldItself', { percent: percentOf(evidence) }) }
    : { share: base, why: say('assessment.lessSilent') }
}

/** Predictions and technique may be right though they led nowhere: they lose by the square root. */
const lessBy: Readonly<Partial<Record<Aspect, readonly Less[]>>> = {
  prediction: [byTests('prediction'), byEvidence(Math.sqrt), byUnderstanding],
  technique: [byAim(0, aimed.technique), byTests('technique'), byEvidence(Math.sqrt), byUnderstanding],
  inference: [bySaying, byEvidence(), byUnderstanding],
  efficiency: [byAim(aimed.none, aimed.enough), byEvidence(), byUnderstanding],
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
