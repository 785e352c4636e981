import type { Circuit } from '../circuit'
import { faultOfKind, possibleFaults, type Fault } from '../faults'
import { noticeText } from '../parts'
import type { Frame } from './order'

/**
 * Faults like what was planted and never the same: the same family elsewhere first, then another size at another place.
 * The order is the circuit’s; whoever hands one out draws among them.
 */
export function faultsLike(circuit: Circuit, planted: readonly Fault[]): Fault[] {
  const families = new Set(planted.map((f) => faultOfKind(f.kind).family))
  const at = new Set(planted.map((f) => `${f.part}.${f.segment}`))
  const elsewhere = possibleFaults(circuit).filter((f) => !at.has(`${f.part}.${f.segment}`))
  const same = elsewhere.filter((f) => families.has(faultOfKind(f.kind).family))
  const kinds = new Set(planted.map((f) => f.kind))
  const alike = same.filter((f) => kinds.has(f.kind))
  return [...alike, ...same.filter((f) => !kinds.has(f.kind))]
}

/** The complaint in words, out of its facts: what each part does, and nothing of why. */
export function complaintWords(circuit: Circuit, complaint: Frame['complaint']): string {
  const said = complaint.slice(0, 3).map(({ part: id, notice }) => {
    const part = circuit.parts.find((p) => p.id === id)!
    return `${part.name || id}: ${noticeText(part.kind, notice)}`
  })
  return `${said.join('; ')}.`
}
