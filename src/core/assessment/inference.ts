import { describeFault, type Fault } from '../faults'
import { clearedBy, exampleOf, type Fact, type Predictor, type Standing } from '../diagnosis'
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
  /** A fault there that would have given the same readings: nobody is told of one that has not been planted and solved. */
  const examples = new Map(
    fresh
      .map((id) => [id, counterExample(predictor, after, facts, id)] as const)
      .filter(([, fault]) => fault),
  )
  const right = fresh.filter((id) => !examples.has(id))
  if (right.length)
    judged.push(make('good', 'follows', say('cleared', { pieces: right, count: right.length }), 1))
  for (const [id, fault] of examples) {
    const named = say('early', { piece: id, fault: describeFault(predictor.circuit, fault!) })
    judged.push(make('poor', 'tooEarly', named, 0))
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

/** The likeliest fault of a part under which every reading would have been the same. */
function counterExample(
  predictor: Predictor,
  { survivors }: Standing,
  facts: readonly Fact[],
  part: string,
): Fault | undefined {
  const likeliest = survivors.filter((h) => h.part === part).sort((p, q) => q.prior - p.prior)
  for (const hypothesis of likeliest) {
    const fault = exampleOf(predictor, hypothesis, facts)
    if (fault) return fault
  }
  return undefined
}
