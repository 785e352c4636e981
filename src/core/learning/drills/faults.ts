import { faultOfKind, possibleFaults, type Fault } from '../../faults'
import type { Hypothesis } from '../../diagnosis'
import type { Walk } from '../../model'
import type { DrillBench } from './bench'
import type { Draw } from './draw'

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

/** Pieces that one is chosen from. */
const choices = 4

/** Four pieces along a way, with what may be wrong with them; undefined where there are fewer. */
export function drawPieces(
  { predictor }: DrillBench,
  { strides }: Walk,
  draw: Draw,
  fits: (fault: Fault) => boolean,
): { readonly pieces: readonly string[]; readonly asked: readonly Hypothesis[] } | undefined {
  const own = new Set(strides.map(({ part }) => part))
  const all = predictor.hypotheses.filter(
    ({ fault, pieces }) => fault && fits(fault) && own.has(fault.part) && pieces.length === 1,
  )
  const pieces = draw.shuffled([...new Set(all.map(({ pieces: [piece] }) => piece!))]).slice(0, choices)
  if (pieces.length < choices) return undefined
  return { pieces, asked: all.filter(({ pieces: [piece] }) => pieces.includes(piece!)) }
}
