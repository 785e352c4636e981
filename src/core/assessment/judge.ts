import { startBench, advance, boardOf, hasSign, stateOf, type Bench, type Order, type Step } from '../attempt'
import {
  bestTest,
  coherent,
  contradiction,
  expectedBits,
  standing,
  type Conditions,
  type Fact,
  type Predictor,
  type Standing,
  type TestSetup,
} from '../diagnosis'
import type { Message } from '../document'
import { instrumentOf, locate, numberOf, type Connected } from '../instruments'
import { judgeConclusion } from './conclusion'
import { readingName, seenName } from './facts'
import { judgeInference } from './inference'
import { say } from './phrases'
import { judgePrediction } from './prediction'
import { defaultRubric, type Rubric } from './rubric'
import { techniqueRules } from './rules/registry'
import type { Scene } from './rules/rule'
import { aspects, type JudgedAttempt, type Judgement, type Mark } from './verdict'

const conditionsOf = ({ repairs, reseated, renewed, spent }: Bench): Conditions => ({
  repairs,
  reseated,
  renewed,
  spent,
})

/** Judges a whole attempt: every step with its verdicts and reasons, and the mark with its parts. */
export function judgeAttempt(
  predictor: Predictor,
  order: Order,
  steps: readonly Step[],
  rubric: Rubric = defaultRubric,
): JudgedAttempt {
  const { circuit, wiring } = predictor
  const judgements: Judgement[] = []
  const suspects: string[][] = []
  const facts: Fact[] = []
  const factNames: Message[] = []
  let bench = startBench(order, wiring)
  let now: Standing = standing(predictor, facts)
  let beforeTest = now
  let struck: ReadonlySet<string> = new Set()
  let tests = 0
  steps.forEach((step, i) => {
    switch (step.type) {
      case 'operate': {
        facts.push({
          type: 'seen',
          state: stateOf(step.arrangement),
          conditions: conditionsOf(bench),
          seen: step.seen,
        })
        factNames.push(seenName(circuit, step))
        now = standing(predictor, facts)
        break
      }
      case 'test': {
        tests++
        const setup = setupOf(predictor, bench, step)
        const board = boardOf(order, bench, step.arrangement, wiring)
        if (!setup || !board.ok) break
        const live = hasSign(step.reading, 'live')
        const next = steps[i + 1]
        judgements.push(judgePrediction(predictor, setup, step.prediction, i))
        const inference = next?.type === 'infer' ? next : undefined
        const earlier = steps.slice(0, i)
        judgements.push(...judgeTechnique({ step, setup, live, board, predictor, earlier, inference }, i))
        judgements.push(judgeEfficiency(predictor, now, setup, live, i))
        beforeTest = now
        const value = numberOf(instrumentOf(step.instrument), step.reading)
        facts.push({ type: 'measured', setup, value, meaningless: live })
        factNames.push(readingName(tests, step))
        now = standing(predictor, facts)
        break
      }
      case 'infer': {
        const next = new Set(step.struck.map((piece) => piece.split('.')[0]!))
        judgements.push(
          ...judgeInference({
            predictor,
            facts,
            factNames,
            before: beforeTest,
            after: now,
            struckBefore: struck,
            struck: next,
            step: i,
          }),
        )
        struck = next
        beforeTest = now
        break
      }
      case 'conclude':
        now = withTruth(now, coherent(predictor, now, facts), order.planted)
        judgements.push(judgeConclusion(predictor, facts, factNames, now, step, order.planted, i))
        break
      case 'repair':
      case 'renew':
    }
    bench = advance(order, bench, step)
    suspects.push([...now.suspects])
  })
  const contradictions = now.survivors.length
    ? []
    : contradiction(predictor, facts).map((i) => say('doesNotFit', { fact: factNames[i]! }))
  const marks = marksOf(judgements, rubric)
  return {
    judgements,
    marks,
    total: sum(marks.map((m) => m.points)),
    of: sum(marks.map((m) => m.of)),
    suspects,
    contradictions,
  }
}

/** The search may pass by a severity that fits; where it lost what was planted, it is not believed. */
const withTruth = (wide: Standing, narrow: Standing, planted: Order['planted']): Standing =>
  planted.some(({ part }) => wide.suspects.has(part) && !narrow.suspects.has(part)) ? wide : narrow

/** A stored test as the predictor asks it; undefined where its places are none of this circuit. */
function setupOf(
  predictor: Predictor,
  bench: Bench,
  step: Extract<Step, { type: 'test' }>,
): TestSetup | undefined {
  const { circuit, wiring } = predictor
  const connected = [step, ...step.also].flatMap(({ instrument, settings, held }): Connected[] => {
    const located = locate(circuit, wiring, held)
    return located.ok ? [{ instrument, settings, place: located.place }] : []
  })
  const [reader, ...also] = connected
  if (!reader || connected.length <= step.also.length) return undefined
  return { ...reader, also, state: stateOf(step.arrangement), conditions: conditionsOf(bench) }
}

const cost = { note: 1, slip: 0.5, mistake: 0 }
const gradeOf = { note: 'neutral', slip: 'partly', mistake: 'poor' } as const

function judgeTechnique(scene: Scene, step: number): Judgement[] {
  const fired = techniqueRules.filter((rule) => rule.fires(scene))
  if (fired.length === 0)
    return [
      {
        aspect: 'technique',
        step,
        grade: 'good',
        verdict: say('sound'),
        reason: say('techniqueSound'),
        share: 1,
      },
    ]
  return fired.map(({ key, weight }) => ({
    aspect: 'technique',
    step,
    grade: gradeOf[weight],
    verdict: { code: `rules.${key}.title` },
    reason: say('rule', { say: { code: `rules.${key}.say` }, instead: { code: `rules.${key}.instead` } }),
    share: cost[weight],
  }))
}

function judgeEfficiency(
  predictor: Predictor,
  before: Standing,
  setup: TestSetup,
  live: boolean,
  step: number,
): Judgement {
  const best = bestTest(predictor, before.survivors, predictor.circuit.states)
  const instrument = instrumentOf(setup.instrument)
  const dead = live && instrument.nature(setup.settings).needsDead
  const bits = dead ? 0 : expectedBits(predictor, before.survivors, setup)
  const share = best && best.bits > 0.05 ? Math.min(1, bits / best.bits) : 1
  const grade = share >= 0.6 ? 'good' : share >= 0.25 ? 'partly' : 'poor'
  const at = best?.setup.place
  const place = at && at.type !== 'jaws' ? predictor.wiring.points.find((p) => p.node === at.red)?.name : ''
  return {
    aspect: 'efficiency',
    step,
    grade,
    verdict: say('share', { percent: String(Math.round(share * 100)) }),
    reason:
      grade === 'good' || !best
        ? say('fewBetter')
        : say('better', {
            title: instrumentOf(best.setup.instrument).title,
            place: place ?? '',
            state: best.setup.state.name,
          }),
    share,
  }
}

/** Each aspect's points: its weight times the mean share over what was judged. Nothing judged earns nothing. */
function marksOf(judgements: readonly Judgement[], rubric: Rubric): Mark[] {
  return aspects.map((aspect) => {
    const of = rubric.weights[aspect]
    const shares = judgements.flatMap((j) => (j.aspect === aspect && j.share !== undefined ? [j.share] : []))
    const mean = shares.length ? sum(shares) / shares.length : 0
    return { aspect, of, points: Math.round(mean * of * 10) / 10 }
  })
}

const sum = (values: readonly number[]) => values.reduce((total, v) => total + v, 0)
