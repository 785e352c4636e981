import type { Circuit } from '../../core/circuit'
import type { Fault } from '../../core/faults'
import { sizedAtPlace, symptomOf, type SizedAtPlace, type Symptom } from '../../core/workshop'

export interface SymptomAsk {
  readonly id: number
  readonly circuit: Circuit
  readonly planted: readonly Fault[]
  /** Which of them is at hand. */
  readonly active: number
}
export interface SymptomSays {
  readonly id: number
  readonly symptom: Symptom
  /** Where nothing shows: the fault at hand in a size that would, or breaks a limit. */
  readonly sized: SizedAtPlace | null
}

self.onmessage = ({ data: { id, circuit, planted, active } }: MessageEvent<SymptomAsk>) => {
  const symptom = symptomOf(circuit, planted)
  const fault = planted[active]
  const others = planted.filter((_, i) => i !== active)
  const sized = symptom.states.length || !fault ? null : sizedAtPlace(circuit, fault, others)
  postMessage({ id, symptom, sized } satisfies SymptomSays)
}
