import { partIn, splitRef } from '../circuit'
import type { KeyOf } from '../../messages/codes'
import { partOf, findPieces } from '../model'
import type { BenchState, StepOf } from '../attempt'
import { describeFault, faultOfKind, type Fault } from '../faults'
import { partOfKind } from '../parts'
import type { Belief, Choice } from '../diagnosis'
import { type Message, say, within } from '../document'
import { tipOf } from './efficiency'
import { percentOf } from './inference'
import type { Rubric } from './rubric'
import type { Judgement } from './verdict'

export interface ConclusionInput {
  readonly belief: Belief
  readonly factNames: readonly Message[]
  readonly conclusion: StepOf<'conclude'>
  /** Faults that are still there. */
  readonly planted: readonly Fault[]
  readonly bench: BenchState
  /** Pieces that nothing in the bag tells from the planted one. */
  readonly ambiguous: ReadonlySet<string>
  /** The test that would part what is left. */
  readonly next: Choice | undefined
  readonly rubric: Rubric
  readonly step: number
}

/** What naming the part and not the piece leaves, another kind than the planted one, and the consequence for the cause. */
const partOnly = 0.5
const otherKind = 0.75
const consequence = 0.4

/** Judges the conclusion against the evidence first, and only then against what was planted. */
export function judgeConclusion(input: ConclusionInput): Judgement {
  const { belief, factNames, conclusion, planted, bench, ambiguous, next, rubric, step } = input
  const { circuit } = belief.predictor
  const { kind, piece: name } = conclusion
  const make = (
    grade: Judgement['grade'],
    verdict: KeyOf<'assessment'>,
    reason: Message,
    share: number,
  ): Judgement => ({
    aspect: 'conclusion',
    step,
    grade,
    verdict: say(`assessment.${verdict}`),
    reason,
    share,
  })
  const pieces = findPieces(circuit, name)
  const part = partIn(name)
  const strikes = (fault: Fault, one: (typeof pieces)[number]) =>
    [`${fault.part}.${fault.segment}`, fault.other].some((at) => {
      const [id, segment] = at === undefined ? [] : splitRef(at)
      return one.part === id && segment !== undefined && one.unit.segments.includes(segment)
    })
  const struck = planted.filter((fault) => pieces.some((one) => strikes(fault, one)))
  const truth = planted.map((fault) => describeFault(circuit, fault))
  const whole = pieces.length > 1
  const inPart = planted.some((f) => f.part === part || (f.other !== undefined && partIn(f.other) === part))
  const doubt = belief.doubtOfAny(pieces.map(({ id }) => id))
  // A fuse that a short or a seized motor has blown is what was found first, and not yet why.
  const effect = pieces.some(
    ({ part: id }) => bench.blown.includes(id) && partOfKind(partOf(circuit, id).kind).protects,
  )
  if (struck.length === 0 && effect)
    return make('partly', 'effect', say('assessment.consequence', { piece: name, truth }), consequence)
  if (struck.length === 0 && inPart && !whole)
    return make(
      'poor',
      'otherPiece',
      say('assessment.whichPiece', { piece: part, truth }),
      0.25 * belief.doubt(part),
    )
  if (doubt === 0 && struck.length === 0) {
    const by = belief.clearedBy(pieces[0]?.id ?? name)
    const fact = (by === undefined ? undefined : factNames[by]) ?? say('assessment.evidence')
    return make('poor', 'contradicted', say('assessment.hadCleared', { fact, piece: name, truth }), 0)
  }
  const rivals = [...belief.doubts].filter(
    ([piece]) => !pieces.some(({ id }) => id === piece) && !ambiguous.has(piece),
  )
  if (struck.length === 0)
    return make(
      'poor',
      'wrong',
      rivals.length
        ? say('assessment.stillOthers', {
            piece: name,
            others: rivals.slice(0, 4).map(([p]) => p),
            count: rivals.length,
            truth,
          })
        : say('assessment.notThere', { truth }),
      0,
    )
  // What no test could part from it is not held against anybody.
  const apart = [...ambiguous].reduce((sum, piece) => sum + belief.doubt(piece), 0)
  const proof = Math.min(1, doubt / Math.max(1e-9, 1 - apart))
  const proven = proof >= rubric.thresholds.proven
  const exact = struck.some((fault) => named(belief, fault, kind))
  const share = (proven ? 1 : proof) * (whole ? partOnly : 1) * (exact ? 1 : otherKind)
  const more: Message[] = []
  if (whole) more.push(say('assessment.askedForPiece', { piece: part, truth }))
  else if (!exact) more.push(say('assessment.otherwise', { title: within(faultOfKind(kind).title), truth }))
  const [rival] = rivals
  const first = proven
    ? say('assessment.allStrike', { piece: name })
    : rival
      ? say(next ? 'assessment.rivalWithTest' : 'assessment.rival', {
          rival: rival[0],
          percent: percentOf(rival[1]),
          ...(next && { tip: tipOf(next) }),
        })
      : say('assessment.soundLeft')
  const reason = more.reduce((all, one) => say('assessment.both', { first: all, second: one }), first)
  return make(proven && share === 1 ? 'good' : 'partly', proven ? 'proven' : 'notYetShown', reason, share)
}

/** The kind by its name, by one that goes for it, or by one that every reading fits as well. */
function named(belief: Belief, fault: Fault, kind: Fault['kind']): boolean {
  if (fault.kind === kind || faultOfKind(fault.kind).sameAs?.includes(kind)) return true
  return belief.alive.some(
    ({ hypothesis }) =>
      hypothesis.fault?.kind === kind &&
      hypothesis.fault.part === fault.part &&
      hypothesis.fault.segment === fault.segment,
  )
}
