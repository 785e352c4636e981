import type { KeyOf } from '../../messages/codes'
import { describeFault, piecesStruck, type Fault } from '../faults'
import { findPieces } from '../model'
import { type Circuit } from '../circuit'
import type { Belief } from '../diagnosis'
import { type Message, say } from '../document'
import type { Rubric } from './rubric'
import type { Grade, Judgement } from './verdict'

export interface InferenceInput {
  readonly before: Belief
  readonly after: Belief
  /** Doubt of each piece after the complaint alone: what striking it out is worth. */
  readonly first: Belief
  /** Names each fact: “reading 2 (12.3 V at L1a)”. One per fact. */
  readonly factNames: readonly Message[]
  /** Pieces struck out before this step, and all struck out now. */
  readonly struckBefore: ReadonlySet<string>
  readonly struck: ReadonlySet<string>
  readonly planted: readonly Fault[]
  /** Whether nothing flowed in a piece: nobody is told to clear what carried no current. */
  readonly idle: (piece: string) => boolean
  readonly rubric: Rubric
  readonly step: number
}

/** Names of pieces that a list of names stands for: a part for all its pieces. */
export const piecesIn = (circuit: Circuit, names: readonly string[]): ReadonlySet<string> =>
  new Set(names.flatMap((name) => findPieces(circuit, name).map(({ id }) => id)))

/** Least that a claim weighs: striking out what nobody suspected is worth little. */
const leastWeight = 0.01

/** Judges what a student struck out after a reading, and names what could have been. */
export function judgeInference(input: InferenceInput): Judgement[] {
  const { before, after, first, factNames, struckBefore, struck, planted, idle, rubric, step } = input
  const { circuit } = after.predictor
  const make = (
    grade: Grade,
    verdict: KeyOf<'assessment'>,
    reason: Message,
    pieces: readonly string[],
    share?: number,
    weight?: number,
  ): Judgement => ({
    aspect: 'inference',
    step,
    grade,
    verdict: say(`assessment.${verdict}`),
    reason,
    pieces: [...pieces],
    ...(share !== undefined && { share, weight: weight ?? 1 }),
  })
  const worth = (piece: string) => Math.max(leastWeight, first.doubt(piece))
  const fresh = [...struck].filter((id) => !struckBefore.has(id))
  const guilty = new Set(piecesStruck(circuit, planted))
  const judged: Judgement[] = []
  const slip = (piece: string, fault: Fault) => {
    const percent = percentOf(after.lostWith(piece, struck))
    const words = { piece, fault: describeFault(circuit, fault), percent }
    judged.push(
      make('partly', 'earlySlip', say('assessment.earlyFor', words), [piece], rubric.slip, worth(piece)),
    )
  }
  const right: string[] = []
  const small: { piece: string; doubt: number }[] = []
  for (const piece of fresh) {
    const doubt = after.lostWith(piece, struck)
    const lost = guilty.has(piece) && doubt > 0
    if (!lost && doubt <= rubric.thresholds.follows) {
      right.push(piece)
      if (doubt > 0.0005) small.push({ piece, doubt })
      continue
    }
    const example = after.example(piece)
    // Nobody is told of a fault that has not been planted and solved with these readings.
    if (!lost && !example) {
      right.push(piece)
      continue
    }
    const percent = percentOf(doubt)
    if (lost) {
      const reason = say('assessment.struckTheFault', { piece, percent })
      judged.push(make('poor', 'struckOut', reason, [piece], 0, worth(piece)))
    } else if (doubt <= rubric.thresholds.early) slip(piece, example!)
    else {
      const reason = say('assessment.tooEarlyFor', {
        piece,
        fault: describeFault(circuit, example!),
        percent,
      })
      judged.push(make('poor', 'tooEarly', reason, [piece], 0, worth(piece)))
    }
  }
  // Several small doubts struck out together are one that is not small.
  small.sort((p, q) => p.doubt - q.doubt)
  const together = () => small.reduce((sum, { doubt }) => sum + doubt, 0)
  while (small.length > 1 && together() > rubric.thresholds.follows) {
    const { piece } = small.pop()!
    const example = after.example(piece)
    if (!example) continue
    right.splice(right.indexOf(piece), 1)
    slip(piece, example)
  }
  const hiding = small.map(({ piece }) => piece)
  if (right.length) {
    const footnote = hiding.map((piece) => after.example(piece)).find((f) => f !== undefined)
    const cleared = say('assessment.cleared', { pieces: right, count: right.length })
    judged.unshift(
      make(
        'good',
        'follows',
        footnote
          ? say('assessment.both', {
              first: cleared,
              second: say('assessment.footnote', { fault: describeFault(circuit, footnote) }),
            })
          : cleared,
        right,
        1,
        right.reduce((sum, piece) => sum + worth(piece), 0),
      ),
    )
  }
  const could = [...first.doubts.keys()].filter(
    (piece) => !struck.has(piece) && after.doubt(piece) === 0 && before.doubt(piece) > 0 && !idle(piece),
  )
  if (could.length) {
    const by = after.clearedBy(could[0]!)
    const fact = (by === undefined ? undefined : factNames[by]) ?? say('assessment.evidence')
    judged.push(
      make(
        'neutral',
        'standing',
        say('assessment.couldBe', { pieces: could, fact, count: could.length }),
        could,
      ),
    )
  } else if (fresh.length === 0) judged.push(make('good', 'sound', say('assessment.nothingNew'), []))
  const back = [...struckBefore].filter((id) => !struck.has(id))
  if (back.length)
    judged.push(make('neutral', 'takenBack', say('assessment.putBack', { pieces: back }), back))
  return judged
}

/** A share as a whole per cent that is never zero while something is left. */
export const percentOf = (share: number): string =>
  share > 0 && share < 0.01 ? '< 1' : String(Math.round(share * 100))
