import { describeFault } from '../faults'
import { clearedBy, type Fact, type Predictor, type Standing } from '../diagnosis'
import type { Grade, Judgement } from './verdict'

export interface InferenceInput {
  readonly predictor: Predictor
  readonly facts: readonly Fact[]
  /** Names each fact in words: “reading 2 (12.3 V at L1a)”. One per fact. */
  readonly factNames: readonly string[]
  readonly before: Standing
  readonly after: Standing
  /** Parts struck out before this step, and all struck out now. */
  readonly struckBefore: ReadonlySet<string>
  readonly struck: ReadonlySet<string>
  readonly step: number
}

/** Judges what a student struck out after a reading, and what was left standing although it is cleared. */
export function judgeInference(input: InferenceInput): Judgement[] {
  const { predictor, facts, factNames, before, after, struckBefore, struck, step } = input
  const make = (grade: Grade, verdict: string, reason: string, share: number | undefined): Judgement => ({
    aspect: 'inference',
    step,
    grade,
    verdict,
    reason,
    share,
  })
  const judged: Judgement[] = []
  const fresh = [...struck].filter((id) => !struckBefore.has(id))
  const right = fresh.filter((id) => after.cleared.has(id))
  if (right.length) {
    judged.push(
      make(
        'good',
        'follows',
        `${list(right)} ${right.length > 1 ? 'are' : 'is'} cleared: no fault there fits the readings so far.`,
        1,
      ),
    )
  }
  for (const id of fresh.filter((part) => after.suspects.has(part))) {
    const example = after.survivors.filter((h) => h.part === id).sort((p, q) => q.prior - p.prior)[0]!
    const fault = example.corners[Math.floor(example.corners.length / 2)] ?? example.corners[0]!
    judged.push(
      make(
        'poor',
        'too early',
        `${id} is struck out too early: “${describeFault(predictor.circuit, fault)}” would have given the same readings.`,
        0,
      ),
    )
  }
  const missed = [...after.cleared].filter((id) => !struck.has(id) && before.suspects.has(id))
  const late = [...after.cleared].filter(
    (id) => !struck.has(id) && !before.suspects.has(id) && !struckBefore.has(id),
  )
  if (missed.length) {
    const by = clearedBy(predictor, facts, missed[0]!)
    const name = by === undefined ? 'this reading' : factNames[by]
    judged.push(
      make(
        'partly',
        'missed',
        `${list(missed)} could be struck out: ${name} clears ${missed.length > 1 ? 'them' : 'it'}.`,
        0.4,
      ),
    )
  }
  if (fresh.length === 0 && missed.length === 0) {
    const reason = late.length
      ? `This reading clears nothing new; ${list(late)} had been cleared earlier and could be struck out.`
      : 'This reading clears nothing new, and nothing was claimed.'
    judged.push(make('good', 'sound', reason, 1))
  }
  const lost = [...struckBefore].filter((id) => !struck.has(id))
  if (lost.length)
    judged.push(make('neutral', 'taken back', `${list(lost)} was put back among the suspects.`, undefined))
  return judged
}

export function list(ids: readonly string[]): string {
  if (ids.length < 2) return ids.join('')
  return `${ids.slice(0, -1).join(', ')} and ${ids[ids.length - 1]}`
}
