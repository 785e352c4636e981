import { findPart } from '../model'
import type { Circuit } from '../circuit'
import { instrumentOf, type Held } from '../instruments'
import { partOfKind, type Access } from '../parts'
import type { BenchState } from './bench-state'
import type { StepOf } from './steps'

/** Minutes to reach a part the first time (common practice, no source). Later it is open. */
export const minutesToReach: Readonly<Record<Access, number>> = { hand: 0.2, cover: 1, dash: 5, under: 8 }
/** Minutes to take something out or put it back. */
const toDetach = 1

/** How hard a part is to reach. */
export function accessOf(circuit: Circuit, id: string): Access {
  const part = findPart(circuit, id)
  return part ? (part.access ?? partOfKind(part.kind).access) : 'hand'
}

/** Minutes to get at these parts, those that are open already left out; and what is open afterwards. */
export function accessMinutes(
  circuit: Circuit,
  { reached }: Pick<BenchState, 'reached'>,
  parts: readonly string[],
): { minutes: number; reached: readonly string[] } {
  const fresh = [...new Set(parts)].filter((id) => !reached.includes(id))
  const minutes = fresh.reduce((sum, id) => sum + minutesToReach[accessOf(circuit, id)], 0)
  return { minutes, reached: fresh.length ? [...reached, ...fresh] : reached }
}

/** Parts that somebody has to get at to hold an instrument so. */
export function partsTouched(circuit: Circuit, held: Held): string[] {
  switch (held.type) {
    case 'leads':
      return [held.red, held.black].flatMap((name) => ownerOf(circuit, name))
    case 'jaws':
      return held.round.flatMap((name) => ownerOf(circuit, name))
    case 'series':
    case 'inPlaceOf':
    case 'spots':
    case 'at':
      return [held.part]
    case 'hand':
      return held.spare ? [] : ownerOf(circuit, held.red)
    case 'posts':
      return []
  }
}

/** The part that a point's name begins with. */
const ownerOf = (circuit: Circuit, name: string): string[] => {
  const id = /^[A-Z]{1,3}[0-9]{1,3}/.exec(name)?.[0]
  return id !== undefined && circuit.parts.some((p) => p.id === id) ? [id] : []
}

/** Minutes of one test: to set up, to reach, to unplug. */
export function instrumentMinutes(
  circuit: Circuit,
  bench: Pick<BenchState, 'reached' | 'out'>,
  step: Pick<StepOf<'test'>, 'instrument' | 'held' | 'also' | 'arrangement'>,
): { minutes: number; reached: readonly string[] } {
  const held = [step, ...step.also]
  const setUp = held.reduce((sum, { instrument }) => sum + instrumentOf(instrument).minutes, 0)
  const moved = step.arrangement.detached.filter((id) => !bench.out.includes(id)).length
  const back = bench.out.filter((id) => !step.arrangement.detached.includes(id)).length
  const touched = held.flatMap((one) => partsTouched(circuit, one.held))
  const access = accessMinutes(circuit, bench, [...touched, ...step.arrangement.detached])
  return { minutes: setUp + (moved + back) * toDetach + access.minutes, reached: access.reached }
}
