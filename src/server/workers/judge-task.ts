import { judgeAttempt, type JudgedAttempt, type Rubric, type Step } from '../../core/assessment'
import type { Circuit } from '../../core/circuit'
import { Predictor } from '../../core/diagnosis'
import type { Fault } from '../../core/faults'

export interface JudgeTask {
  readonly circuit: Circuit
  readonly faults: readonly Fault[]
  readonly steps: readonly Step[]
  readonly rubric: Rubric
}

/** A class works on few circuits at a time: the last ones' solved hypotheses stay in memory. */
const kept = new Map<string, Predictor>()
const most = 3

function predictorFor(circuit: Circuit): Predictor {
  const key = JSON.stringify(circuit)
  const found = kept.get(key) ?? new Predictor(circuit)
  kept.delete(key)
  kept.set(key, found)
  for (const old of [...kept.keys()].slice(0, -most)) kept.delete(old)
  return found
}

export default function judge({ circuit, faults, steps, rubric }: JudgeTask): JudgedAttempt {
  return judgeAttempt(predictorFor(circuit), faults, steps, rubric)
}
