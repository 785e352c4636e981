import type { Arrangement, StepOf } from '../../core/assessment'
import { formatQuantity } from '../../core/quantity'

/** “S1 closed, L1 out”. */
export function describeArrangement({ controls, detached }: Arrangement): string {
  return [
    ...Object.entries(controls).map(([id, position]) => `${id} ${position}`),
    ...detached.map((id) => `${id} out`),
  ].join(', ')
}

export function describePrediction(step: StepOf<'test'>): string {
  const { prediction } = step
  if (prediction.type === 'beep') return 'a beep'
  if (prediction.type === 'OL') return 'OL'
  return formatQuantity(prediction.value, step.function === 'volts' ? 'V' : 'Ω')
}
