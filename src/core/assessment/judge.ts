import type { Circuit, CircuitState } from '../circuit'
import {
  bestTest,
  contradiction,
  expectedBits,
  standing,
  type Fact,
  type Predictor,
  type Standing,
  type TestSetup,
} from '../diagnosis'
import type { Fault } from '../faults'
import { functionOf, type Reading } from '../instruments'
import { aftermath, noticeAll, solveBoard } from '../board'
import { judgeConclusion } from './conclusion'
import { judgeInference } from './inference'
import { judgePrediction } from './prediction'
import { defaultRubric, type Rubric } from './rubric'
import { techniqueRules } from './rules/registry'
import type { Arrangement, Step, StepOf } from './steps'
import { aspects, type Aspect, type Judgement } from './verdict'

export interface Mark {
  readonly aspect: Aspect
  readonly points: number
  readonly of: number
}

export interface JudgedAttempt {
  readonly judgements: readonly Judgement[]
  readonly marks: readonly Mark[]
  readonly total: number
  readonly of: number
  /** After each step: parts still suspect by the evidence. */
  readonly suspects: readonly (readonly string[])[]
  /** What the evidence says when its readings contradict each other; empty otherwise. */
  readonly contradictions: readonly string[]
  readonly rubric: Rubric
}

export const asState = (arrangement: Arrangement): CircuitState => ({
  id: 'bench',
  name: 'bench',
  ...arrangement,
})

/** What a virtual bench with `faults` planted shows a person who operates it so. */
export function observe(
  circuit: Circuit,
  faults: readonly Fault[],
  arrangement: Arrangement,
): StepOf<'operate'>['seen'] | undefined {
  const solved = solveBoard(circuit, faults, asState(arrangement), {
    blown: aftermath(circuit, faults),
  })
  return solved.ok
    ? Object.fromEntries(noticeAll(solved).map(({ part, key, text }) => [part, { key, text }]))
    : undefined
}

/** What the meter shows on a virtual bench, or why it cannot. Point names as a person types them. */
export function measure(
  predictor: Predictor,
  faults: readonly Fault[],
  arrangement: Arrangement,
  dial: StepOf<'test'>['function'],
  red: string,
  black: string,
): { ok: true; reading: Reading; red: string; black: string } | { ok: false; message: string } {
  const { circuit, wiring, meter } = predictor
  const r = wiring.find(red)
  const b = wiring.find(black)
  if (!r || !b) {
    const [lead, name] = r ? ['black', black] : ['red', red]
    const known = wiring.points
      .slice(0, 4)
      .map((p) => p.name)
      .join(', ')
    return {
      ok: false,
      message: name.trim()
        ? `There is no point “${name}” for the ${lead} lead: points are called ${known} …`
        : `The ${lead} lead is on nothing: put it on a point`,
    }
  }
  const solved = solveBoard(circuit, faults, asState(arrangement), {
    blown: aftermath(circuit, faults, wiring),
    wiring,
  })
  // Where the solver failed would say where to look: a student hears only that it did.
  if (!solved.ok) return { ok: false, message: 'The circuit settles in no steady state like this' }
  return {
    ok: true,
    reading: functionOf(dial).read(solved, r.node, b.node, meter),
    red: r.name,
    black: b.name,
  }
}

/** What of a reading is kept with the step: all that the display showed, nothing that it did not. */
export function recordReading({
  function: dial,
  value,
  unit,
  text,
  beeps,
  live,
}: Reading): StepOf<'test'>['reading'] {
  return {
    function: dial,
    ...(value === undefined ? {} : { value }),
    unit: unit === 'V' ? 'V' : 'Ω',
    text,
    beeps,
    live,
  }
}

/** Judges a whole attempt: every step with its verdicts and reasons, and the mark with its parts. */
export function judgeAttempt(
  predictor: Predictor,
  planted: readonly Fault[],
  steps: readonly Step[],
  rubric: Rubric = defaultRubric,
): JudgedAttempt {
  const { circuit, wiring } = predictor
  const blown = aftermath(circuit, planted, wiring)
  const judgements: Judgement[] = []
  const suspects: string[][] = []
  const facts: Fact[] = []
  const factNames: string[] = []
  let now: Standing = standing(predictor, facts)
  let beforeTest = now
  let struck: ReadonlySet<string> = new Set()
  let tests = 0
  steps.forEach((step, i) => {
    switch (step.type) {
      case 'operate': {
        const seen = Object.fromEntries(Object.entries(step.seen).map(([id, { key }]) => [id, key]))
        facts.push({ type: 'seen', state: asState(step.arrangement), seen })
        factNames.push(
          `what was seen (${Object.entries(step.seen)
            .map(([id, { text }]) => `${id} ${text}`)
            .join(', ')})`,
        )
        now = standing(predictor, facts)
        break
      }
      case 'test': {
        tests++
        const state = asState(step.arrangement)
        const red = wiring.find(step.red)
        const black = wiring.find(step.black)
        const board = solveBoard(circuit, planted, state, { blown, wiring })
        if (!red || !black || !board.ok) break
        const setup: TestSetup = { state, function: step.function, red: red.node, black: black.node }
        const { live } = functionOf(step.function).read(board, red.node, black.node, predictor.meter)
        const next = steps[i + 1]
        judgements.push(judgePrediction(predictor, setup, step.prediction, i))
        judgements.push(
          ...judgeTechnique(
            {
              step,
              setup,
              live,
              board,
              predictor,
              earlier: steps.slice(0, i),
              inference: next?.type === 'infer' ? next : undefined,
            },
            i,
          ),
        )
        judgements.push(judgeEfficiency(predictor, now, setup, live, i))
        beforeTest = now
        facts.push({ type: 'measured', setup, value: step.reading.value ?? Infinity, meaningless: live })
        factNames.push(`reading ${tests} (${step.reading.text}, ${step.red} to ${step.black})`)
        now = standing(predictor, facts)
        break
      }
      case 'infer': {
        const next = new Set(step.cleared)
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
        judgements.push(judgeConclusion(predictor, facts, factNames, now, step, planted, i))
    }
    suspects.push([...now.suspects])
  })
  const contradictions = now.survivors.length
    ? []
    : contradiction(predictor, facts).map(
        (i) =>
          `${factNames[i]} does not fit the rest: was the circuit as you thought, and the leads where they should be?`,
      )
  const marks = marksOf(judgements, rubric)
  return {
    judgements,
    marks,
    total: sum(marks.map((m) => m.points)),
    of: sum(marks.map((m) => m.of)),
    suspects,
    contradictions,
    rubric,
  }
}

function judgeTechnique(
  scene: Parameters<(typeof techniqueRules)[number]['fires']>[0],
  step: number,
): Judgement[] {
  const cost = { note: 1, slip: 0.5, mistake: 0 }
  const fired = techniqueRules.filter((rule) => rule.fires(scene))
  if (fired.length === 0) {
    return [
      {
        aspect: 'technique',
        step,
        grade: 'good',
        verdict: 'sound',
        reason: 'Right function, real points, a state in which the reading means something.',
        share: 1,
      },
    ]
  }
  return fired.map((rule) => ({
    aspect: 'technique',
    step,
    grade: rule.weight === 'note' ? 'neutral' : rule.weight === 'slip' ? 'partly' : 'poor',
    verdict: rule.title,
    reason: `${rule.say} ${rule.instead}`,
    share: cost[rule.weight],
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
  const bits = live && setup.function !== 'volts' ? 0 : expectedBits(predictor, before.survivors, setup)
  const share = best && best.bits > 0.05 ? Math.min(1, bits / best.bits) : 1
  const better = best && predictor.wiring.points.find((p) => p.node === best.setup.red)
  const grade = share >= 0.6 ? 'good' : share >= 0.25 ? 'partly' : 'poor'
  const reason =
    grade === 'good'
      ? 'Few tests would have told more at this moment.'
      : `Volts at ${better?.name ?? 'another point'} with “${best?.setup.state.name ?? ''}” would have told more at this moment.`
  return { aspect: 'efficiency', step, grade, verdict: `${Math.round(share * 100)} %`, reason, share }
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
