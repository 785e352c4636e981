import { faultOfKind, possibleFaults, type Fault } from '../../faults'
import type { Walk } from '../../model'
import type { DrillBench } from './bench'

/** So many ohms in series. */
export function isOhmic({ kind }: Pick<Fault, 'kind'>): boolean {
  const { family, severity } = faultOfKind(kind)
  return family === 'resistance' && severity?.unit === 'Ω'
}
/** Nothing passes any more. */
export const isOpen = ({ kind }: Pick<Fault, 'kind'>): boolean => faultOfKind(kind).family === 'opens'
/** The load itself has failed. */
export const isOfLoad = ({ kind }: Pick<Fault, 'kind'>): boolean => faultOfKind(kind).family === 'loads'

/** Faults that can strike some strides of a way, at their preset size, as far as they fit. */
export function faultsOn(
  bench: DrillBench,
  strides: Walk['strides'],
  fits: (fault: Fault) => boolean,
): readonly Fault[] {
  const own = new Set(strides.map(({ part, segment }) => `${part}.${segment.key}`))
  return possibleFaults(bench.circuit).filter(
    (fault) => own.has(`${fault.part}.${fault.segment}`) && !fault.other && fits(fault),
  )
}
