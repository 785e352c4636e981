import { findPieces } from '../circuit'
import { describeFault, faultOfKind, type Fault } from '../faults'
import { clearedBy, type Fact, type Predictor, type Standing } from '../diagnosis'
import type { StepOf } from '../attempt'
import type { Message } from '../document'
import { say } from './phrases'
import type { Judgement } from './verdict'

/** Judges the conclusion against the evidence first, and only then against what was planted. */
export function judgeConclusion(
  predictor: Predictor,
  facts: readonly Fact[],
  factNames: readonly Message[],
  standing: Standing,
  conclusion: StepOf<'conclude'>,
  planted: readonly Fault[],
  step: number,
): Judgement {
  const { kind } = conclusion
  const part = conclusion.piece.split('.')[0]!
  const make = (
    grade: Judgement['grade'],
    verdict: Parameters<typeof say>[0],
    reason: Message,
    share: number,
  ): Judgement => ({ aspect: 'conclusion', step, grade, verdict: say(verdict), reason, share })
  const hit = planted.some((fault) => fault.part === part)
  const [piece, ...more] = findPieces(predictor.circuit, conclusion.piece)
  /** The piece is asked for, not the part: a relay is a coil side and a contact side. */
  const struck = planted.filter(
    (fault) => fault.part === part && more.length === 0 && piece?.unit.segments.includes(fault.segment),
  )
  const exact = struck.some((fault) => alike(fault.kind, kind))
  const truth = planted.map((fault) => describeFault(predictor.circuit, fault))
  if (!standing.suspects.has(part)) {
    const by = clearedBy(predictor, facts, part)
    const fact = (by === undefined ? undefined : factNames[by]) ?? say('evidence')
    return make('poor', 'contradicted', say('hadCleared', { fact, piece: part, truth }), 0)
  }
  const others = [...standing.suspects].filter((id) => id !== part)
  const proven = others.length === 0 && !standing.healthyPossible
  if (!hit)
    return make('poor', 'wrong', say('stillOthers', { piece: part, others, count: others.length, truth }), 0)
  const otherwise = (first: Message): Message =>
    struck.length === 0
      ? say('both', { first, second: say('whichPiece', { piece: part, truth }) })
      : exact
        ? first
        : say('both', {
            first,
            second: say('otherwise', { title: faultOfKind(kind).title.toLowerCase(), truth }),
          })
  if (proven)
    return make(
      exact ? 'good' : 'partly',
      'proven',
      otherwise(say('allStrike', { piece: part })),
      struck.length === 0 ? 0.5 : exact ? 1 : 0.75,
    )
  const open = standing.healthyPossible ? say('soundCircuit') : others.slice(0, 4)
  return make(
    'partly',
    'notYetShown',
    otherwise(say('leavePossible', { others: open })),
    struck.length === 0 ? 0.3 : exact ? 0.6 : 0.45,
  )
}

/** Failures that no reading of this bench tells apart by name are accepted for each other. */
const alike = (planted: Fault['kind'], said: Fault['kind']): boolean =>
  planted === said || (faultOfKind(planted).sameAs?.includes(said) ?? false)
