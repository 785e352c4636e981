import { describeFault, faultOfKind } from '../faults'
import { clearedBy, type Fact, type Predictor, type Standing } from '../diagnosis'
import type { StepOf } from './steps'
import type { Judgement } from './verdict'
import { list } from './inference'
import type { Fault } from '../faults'

/** Judges the conclusion against the evidence first, and only then against what was planted. */
export function judgeConclusion(
  predictor: Predictor,
  facts: readonly Fact[],
  factNames: readonly string[],
  standing: Standing,
  conclusion: StepOf<'conclude'>,
  planted: readonly Fault[],
  step: number,
): Judgement {
  const { part, kind } = conclusion
  const make = (grade: Judgement['grade'], verdict: string, reason: string, share: number): Judgement => ({
    aspect: 'conclusion',
    step,
    grade,
    verdict,
    reason,
    share,
  })
  const title = faultOfKind(kind).title.toLowerCase()
  const hit = planted.some((fault) => fault.part === part)
  const exact = planted.some((fault) => fault.part === part && alike(fault.kind, kind))
  const truth = list(planted.map((fault) => describeFault(predictor.circuit, fault)))
  if (!standing.suspects.has(part)) {
    const by = clearedBy(predictor, facts, part)
    const name = by === undefined ? 'The evidence' : factNames[by]
    return make(
      'poor',
      'contradicted',
      `${capital(name ?? '')} had already cleared ${part}. Planted was: ${truth}.`,
      0,
    )
  }
  const others = [...standing.suspects].filter((id) => id !== part)
  const proven = others.length === 0 && !standing.healthyPossible
  if (!hit)
    return make(
      'poor',
      'wrong',
      `${part} was still possible, but so ${others.length === 1 ? 'was' : 'were'} ${list(others)}. Planted was: ${truth}.`,
      0,
    )
  const manner = exact ? '' : ` The part is right; it failed otherwise than as “${title}”: ${truth}.`
  if (proven)
    return make(
      exact ? 'good' : 'partly',
      'proven',
      `Every fault that fits the readings strikes ${part}.${manner}`,
      exact ? 1 : 0.75,
    )
  const open = standing.healthyPossible ? 'a sound circuit' : list(others.slice(0, 4))
  return make(
    'partly',
    'not yet shown',
    `Right, but by luck: the readings leave ${open} possible as well.${manner}`,
    exact ? 0.6 : 0.45,
  )
}

/** Failures that no reading of this bench tells apart by name are accepted for each other. */
function alike(a: Fault['kind'], b: Fault['kind']): boolean {
  const families: readonly (readonly Fault['kind'][])[] = [
    ['open', 'blown', 'burntOut', 'stuckOpen'],
    ['highResistance', 'corroded'],
    ['seized', 'dragging'],
  ]
  return a === b || families.some((family) => family.includes(a) && family.includes(b))
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
