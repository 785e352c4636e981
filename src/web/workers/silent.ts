import type { Circuit } from '../../core/circuit'
import type { Fault } from '../../core/faults'
import { sizedAtPlace } from '../../core/workshop'

export interface SilentAsk {
  readonly id: number
  readonly circuit: Circuit
  readonly faults: readonly Fault[]
}
export interface SilentSays {
  readonly id: number
  /** Places in `faults` of those that show nothing and break no limit, at any size. */
  readonly silent: readonly number[]
}

export function work({ id, circuit, faults }: SilentAsk): void {
  const silent = faults.flatMap((fault, i) => (sizedAtPlace(circuit, fault).by === 'none' ? [i] : []))
  postMessage({ id, silent } satisfies SilentSays)
}
