import type { Arrangement, StepOf } from '../../core/assessment'
import { formatQuantity } from '../../core/quantity'

/** “S1 closed, L1 out”. */
export function describeArrangement(arrangement: Arrangement): string {
  const { controls, detached, wiggled = [], engine, sinceKeyOff } = arrangement
  return [
    ...Object.entries(controls).map(([id, position]) => `${id} ${position}`),
    ...detached.map((id) => `${id} out`),
    ...wiggled.map((id) => `${id} moved by hand`),
    ...(engine === 'running' ? ['engine running'] : []),
    ...(sinceKeyOff ? [`key off for ${sinceKeyOff} s`] : []),
  ].join(', ')
}

export function describePrediction(step: StepOf<'test'>): string {
  const { prediction } = step
  if (prediction.type === 'beep') return 'a beep'
  if (prediction.type === 'OL') return 'OL'
  return formatQuantity(prediction.value, step.function === 'volts' ? 'V' : 'Ω')
}
