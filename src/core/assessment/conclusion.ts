import { partIn, splitRef } from '../circuit'
import type { KeyOf } from '../../messages/codes'
import { partOf, findPieces } from '../model'
import { soundCircuit, type BenchState, type StepOf } from '../attempt'
import { describeFault, faultOfKind, piecesStruck, type Fault } from '../faults'
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
  /** Share of the ways that the complaint names which was proved good under load, 0 to 1. */
  readonly provedGood: number
  readonly rubric: Rubric
  readonly step: number
}

export interface JudgedConclusion {
  readonly judgement: Judgement
  /** Every reading that was reasoned from points to what was planted. */
  readonly proven: boolean
  /** How much of what led to it was understood, by where it ended: 1 for the place itself. */
  readonly understood: number
}

/** What naming the part and not the piece leaves, another kind than the planted one, and the consequence for the cause. */
const partOnly = 0.5
const otherKind = 0.75
const consequence = 0.4
/** Share of the way from which a sound circuit is proven: a stretch within a housing may be left out. */
const soundEnough = 0.9
/** What is left of the way there where it ended at the consequence, at another piece of the part, elsewhere. */
const understoodBy = { consequence: 0.8, samePart: 0.4, elsewhere: 0.15 }

const makerOf =
  (step: number) =>
  (
    grade: Judgement['grade'],
    verdict: KeyOf<'assessment'>,
    reason: Message,
    share: number,
    understood: number,
    proven = false,
  ): JudgedConclusion => ({
    judgement: { aspect: 'conclusion', step, grade, verdict: say(`assessment.${verdict}`), reason, share },
    proven,
    understood,
  })

/** Judges the conclusion against the evidence first, and only then against what was planted. */
export function judgeConclusion(input: ConclusionInput): JudgedConclusion {
  const { belief, factNames, conclusion, planted, bench, ambiguous, next, rubric, step } = input
  const { circuit } = belief.predictor
  const { kind, piece: name } = conclusion
  const make = makerOf(step)
  if (kind === soundCircuit || planted.length === 0) return judgeSoundness(input)
  const pieces = findPieces(circuit, name)
  const named = new Set(pieces.map(({ id }) => id))
  const part = partIn(name)
  const struck = planted.filter((fault) => piecesStruck(circuit, [fault]).some((id) => named.has(id)))
  const truth = planted.map((fault) => describeFault(circuit, fault))
  const ofNamed = belief.doubtOfAny([...named])
  /** What nothing in the bag tells from the planted piece is the planted piece. */
  const isOfGroup = pieces.some(({ id }) => ambiguous.has(id))
  const place = new Set([...piecesStruck(circuit, struck.length ? struck : planted), ...ambiguous])
  const rivals = [...belief.doubts].filter(([piece]) => !named.has(piece) && !place.has(piece))
  const shown = shownOf(
    belief,
    new Set([...place, ...(pieces.length > 1 && struck.length ? named : [])]),
    ofNamed,
    rubric,
  )

  // A fuse that a short or a seized motor has blown is what was found first, and not yet why: a new one tells.
  const isEffect =
    struck.length === 0 &&
    pieces.some(({ part: id, unit }) => {
      const { protects } = partOfKind(partOf(circuit, id).kind)
      return protects && bench.blown.includes(id) && unit.segments.includes(protects.segment)
    })
  if (isEffect)
    return make(
      'partly',
      'effect',
      say('assessment.consequence', { piece: name, truth }),
      consequence,
      understoodBy.consequence,
    )
  if (struck.length === 0 && !isOfGroup) {
    const inPart = planted.some((f) => f.part === part || (f.other !== undefined && partIn(f.other) === part))
    const understood = inPart ? understoodBy.samePart : understoodBy.elsewhere
    const [likeliest] = [...place].sort((p, q) => belief.doubt(q) - belief.doubt(p))
    // The readings part neither from the other: whichever is named, so much had been shown.
    if (
      Math.min(ofNamed, likeliest === undefined ? 0 : belief.doubt(likeliest)) > rubric.thresholds.follows
    ) {
      const params = { piece: name, other: likeliest!, truth, ...(next && { tip: tipOf(next) }) }
      return make(
        'partly',
        'cannotTell',
        say(next ? 'assessment.cannotTellWithTest' : 'assessment.cannotTellThem', params),
        shown,
        Math.max(understood, shown ** 2),
      )
    }
    if (inPart && pieces.length === 1)
      return make(
        'poor',
        'otherPiece',
        say('assessment.whichPiece', { piece: part, truth }),
        0.25 * belief.doubt(part),
        understood,
      )
    if (ofNamed === 0) {
      const by = belief.clearedBy(pieces[0]?.id ?? name)
      const fact = (by === undefined ? undefined : factNames[by]) ?? say('assessment.evidence')
      return make(
        'poor',
        'contradicted',
        say('assessment.hadCleared', { fact, piece: name, truth }),
        0,
        understood,
      )
    }
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
      understood,
    )
  }

  const proven = shown === 1
  const whole = pieces.length > 1
  const unit = whole && isUnit(input, part)
  const exact = isOfGroup || struck.some((fault) => isNamed(belief, fault, kind))
  const share = shown * (whole && !unit ? partOnly : 1) * (exact ? 1 : otherKind)
  const [rival] = rivals
  const halves = pieces.filter(({ id }) => belief.doubt(id) > rubric.thresholds.follows)
  const first = !proven
    ? rival
      ? say(next ? 'assessment.rivalWithTest' : 'assessment.rival', {
          rival: rival[0],
          percent: percentOf(rival[1]),
          ...(next && { tip: tipOf(next) }),
        })
      : say('assessment.soundLeft')
    : unit && halves.length > 1
      ? say('assessment.unitShown', { piece: part })
      : isOfGroup || [...ambiguous].some((id) => belief.doubt(id) > 0)
        ? say('assessment.oneOfGroup', { pieces: [...new Set([...named, ...place])] })
        : say('assessment.allStrike', { piece: name })
  const more =
    whole && !unit
      ? say('assessment.askedForPiece', { piece: part, truth })
      : exact
        ? undefined
        : say('assessment.otherwise', { title: within(faultOfKind(kind).title), truth })
  return make(
    proven && share === 1 ? 'good' : 'partly',
    proven ? 'proven' : 'notYetShown',
    more ? say('assessment.both', { first, second: more }) : first,
    share,
    1,
    proven,
  )
}

/** Where nothing is wrong, or is said to be: worth as much as was proved under load. */
function judgeSoundness({
  belief,
  conclusion,
  planted,
  provedGood,
  step,
}: ConclusionInput): JudgedConclusion {
  const { circuit } = belief.predictor
  const make = makerOf(step)
  const truth = planted.map((fault) => describeFault(circuit, fault))
  if (planted.length)
    return make('poor', 'wrong', say('assessment.notSound', { truth }), 0, understoodBy.elsewhere)
  if (conclusion.kind !== soundCircuit)
    return make(
      'poor',
      'wrong',
      say('assessment.nothingWrong', { piece: conclusion.piece }),
      0,
      understoodBy.elsewhere,
    )
  const percent = percentOf(provedGood)
  return provedGood >= soundEnough
    ? make('good', 'proven', say('assessment.soundProven'), 1, 1, true)
    : make('partly', 'notYetShown', say('assessment.soundNotShown', { percent }), provedGood, 1)
}

/**
 * How much of the place the readings have shown, whichever of what is left is named: 1 where it holds nearly all of the
 * doubt, else one in as many suspects as the doubt that is left amounts to (its perplexity), or the share of what is named.
 * @param named doubt of what was named, 0 to 1
 */
function shownOf(belief: Belief, place: ReadonlySet<string>, named: number, { thresholds }: Rubric): number {
  const own = belief.doubtOfAny([...place])
  if (own >= thresholds.proven) return 1
  const entropy = (share: number) => (share > 0 && share < 1 ? -share * Math.log2(share) : 0)
  const others = [...belief.doubts].filter(([piece]) => !place.has(piece))
  const bits =
    entropy(own) + entropy(belief.sound) + others.reduce((sum, [, share]) => sum + entropy(share), 0)
  // What the readings have all but excluded was found in spite of them.
  return own > thresholds.follows ? Math.max(2 ** -bits, named) : own
}

/** All of what is planted there comes with one article of the parts counter, and nothing else of the part is in doubt. */
function isUnit({ belief, planted, rubric }: ConclusionInput, part: string): boolean {
  const { circuit } = belief.predictor
  const { orderedAs } = partOfKind(partOf(circuit, part).kind)
  if (!orderedAs) return false
  const at = planted.flatMap(({ part: own, segment, other }) => [
    [own, segment] as const,
    ...(other === undefined ? [] : [splitRef(other)]),
  ])
  const inUnit = at.filter(([id]) => id === part).every(([, segment]) => orderedAs.includes(segment!))
  const beside = belief.alive
    .filter(({ hypothesis: { fault } }) => fault?.part === part && !orderedAs.includes(fault.segment))
    .reduce((sum, { weight }) => sum + weight, 0)
  return inUnit && beside / belief.total <= rubric.thresholds.early
}

/** The kind by its name, by one that goes for it, or by one that every reading fits as well. */
function isNamed(belief: Belief, fault: Fault, kind: Fault['kind']): boolean {
  if (fault.kind === kind || faultOfKind(fault.kind).sameAs?.includes(kind)) return true
  return belief.alive.some(
    ({ hypothesis }) =>
      hypothesis.fault?.kind === kind &&
      hypothesis.fault.part === fault.part &&
      hypothesis.fault.segment === fault.segment,
  )
}
