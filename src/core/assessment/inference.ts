import { describeFault } from '../faults'
import { clearedBy, type Fact, type Predictor, type Standing } from '../diagnosis'
import type { Message } from '../document'
import { say } from './phrases'
import type { Grade, Judgement } from './verdict'

export interface InferenceInput {
  readonly predictor: Predictor
  readonly facts: readonly Fact[]
  /** Names each fact: “reading 2 (12.3 V at L1a)”. One per fact. */
  readonly factNames: readonly Message[]
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
  const make = (
    grade: Grade,
    verdict: Parameters<typeof say>[0],
    reason: Message,
    share: number | undefined,
  ): Judgement => ({
    aspect: 'inference',
    step,
    grade,
    verdict: say(verdict),
    reason,
    ...(share !== undefined && { share }),
  })
  const judged: Judgement[] = []
  const fresh = [...struck].filter((id) => !struckBefore.has(id))
  const right = fresh.filter((id) => after.cleared.has(id))
  if (right.length)
    judged.push(make('good', 'follows', say('cleared', { pieces: right, count: right.length }), 1))
  for (const id of fresh.filter((part) => after.suspects.has(part))) {
    const example = after.survivors.filter((h) => h.part === id).sort((p, q) => q.prior - p.prior)[0]!
    const fault = example.ends[Math.floor(example.ends.length / 2)] ?? example.ends[0]!
    judged.push(
      make(
        'poor',
        'tooEarly',
        say('early', { piece: id, fault: describeFault(predictor.circuit, fault) }),
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
    const fact = (by === undefined ? undefined : factNames[by]) ?? say('evidence')
    judged.push(make('partly', 'missed', say('couldBe', { pieces: missed, fact, count: missed.length }), 0.4))
  }
  if (fresh.length === 0 && missed.length === 0)
    judged.push(
      make('good', 'sound', late.length ? say('nothingNewLate', { pieces: late }) : say('nothingNew'), 1),
    )
  const lost = [...struckBefore].filter((id) => !struck.has(id))
  if (lost.length) judged.push(make('neutral', 'takenBack', say('putBack', { pieces: lost }), undefined))
  return judged
}
