import type { Circuit } from '../circuit'
import { faultOfKind, possibleFaults, type Fault } from '../faults'

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
