import { partOf } from '../model'
import type { Circuit, CircuitState } from '../circuit'
import type { Fault } from '../faults'
import { partOfKind } from '../parts'
import { handOf } from './part-alone'

/** What in a state says which part stands in whose place. */
export type Exchanged = Pick<CircuitState, 'swapped' | 'spares'>

/** What a spare of the box is called among bodies, by the part in whose place it goes. */
const spareOf = (id: string): string => `+${id}`

/**
 * The part whose own body stands in a place: its own, the like part's that it was swapped with, or the spare.
 * @param id of the place
 */
export function bodyAt({ swapped = [], spares = [] }: Exchanged, id: string): string {
  if (spares.includes(id)) return spareOf(id)
  for (const [a, b] of swapped) {
    if (a === id) return b
    if (b === id) return a
  }
  return id
}

/** The place in which a body stands now; undefined while it lies beside. */
export function placeOf({ swapped = [], spares = [] }: Exchanged, body: string): string | undefined {
  if (body.startsWith('+')) return spares.includes(body.slice(1)) ? body.slice(1) : undefined
  if (spares.includes(body)) return undefined
  for (const [a, b] of swapped) {
    if (a === body) return b
    if (b === body) return a
  }
  return body
}

/** The same of many; what lies beside has none. */
export const placesOf = (state: Exchanged, bodies: Iterable<string>): string[] =>
  [...bodies].flatMap((body) => placeOf(state, body) ?? [])

/** Whether a fault is in what comes out with the part, not in its socket or its plug. */
export function isInBody(circuit: Circuit, { part, segment, other }: Fault): boolean {
  return other === undefined && handOf(partOfKind(partOf(circuit, part).kind)).segments.includes(segment)
}

/**
 * Faults where they stand once parts have changed places, and the state without the exchange.
 * @param spares what is wrong with spares of the box, each by the part in whose place it goes
 */
export function exchanged(
  circuit: Circuit,
  faults: readonly Fault[],
  state: CircuitState,
  spares: readonly Fault[] = [],
): { readonly faults: readonly Fault[]; readonly state: CircuitState } {
  const { swapped, spares: fitted, ...rest } = state
  if (!swapped?.length && !fitted?.length) return { faults, state }
  const moved = faults.flatMap((fault): Fault[] => {
    if (!isInBody(circuit, fault)) return [fault]
    const part = placeOf(state, fault.part)
    return part === undefined ? [] : [part === fault.part ? fault : { ...fault, part }]
  })
  return { faults: [...moved, ...spares.filter(({ part }) => fitted?.includes(part))], state: rest }
}

/** Parts that are swapped in a moment for one that is like them: of the same kind, with the same values. */
export const likeParts = (circuit: Circuit, id: string): string[] => {
  const own = circuit.parts.find((part) => part.id === id)
  if (!own || !partOfKind(own.kind).interchangeable) return []
  const values = JSON.stringify(Object.entries(own.parameters).sort())
  return circuit.parts
    .filter((p) => p.id !== id && p.kind === own.kind)
    .filter((p) => JSON.stringify(Object.entries(p.parameters).sort()) === values)
    .map((p) => p.id)
}

/** Parts of which a spare lies in the box. */
export const sparesOf = ({ parts }: Pick<Circuit, 'parts'>): string[] =>
  parts.filter(({ kind }) => partOfKind(kind).interchangeable).map(({ id }) => id)
