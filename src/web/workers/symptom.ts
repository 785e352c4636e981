import type { Circuit } from '../../core/circuit'
import type { Fault } from '../../core/faults'
import {
  sizedAtPlace,
  sizeMarks,
  symptomOf,
  type SizedAtPlace,
  type SizeMark,
  type Symptom,
} from '../../core/workshop'

export interface SymptomAsk {
  readonly id: number
  readonly circuit: Circuit
  readonly planted: readonly Fault[]
  /** Which of them is at hand. */
  readonly active: number
}
export interface SymptomSays {
  readonly type: 'symptom'
  readonly id: number
  readonly symptom: Symptom
  /** Where nothing shows: the fault at hand in a size that would, or breaks a limit. */
  readonly sized: SizedAtPlace | null
}
/** Comes after it, once for each fault: where along its size each effect begins. */
export interface MarksSay {
  readonly type: 'marks'
  readonly id: number
  readonly marks: readonly SizeMark[]
}

let marked = ''
let marks: readonly SizeMark[] = []

export function work({ id, circuit, planted, active }: SymptomAsk): void {
  const symptom = symptomOf(circuit, planted)
  const fault = planted[active]
  const others = planted.filter((_, i) => i !== active)
  const sized = symptom.states.length || !fault ? null : sizedAtPlace(circuit, fault, others)
  postMessage({ type: 'symptom', id, symptom, sized } satisfies SymptomSays)
  if (!fault) return
  // The size itself moves no mark.
  const key = JSON.stringify([circuit, others, { ...fault, severity: 0 }])
  if (key !== marked) {
    marks = sizeMarks(circuit, fault, others)
    marked = key
  }
  postMessage({ type: 'marks', id, marks } satisfies MarksSay)
}
