import type { Circuit, CircuitState } from '../circuit'
import { partOfKind } from '../parts'
import type { Arrangement } from './steps'

/** Parts in which a contact can come and go while they are moved. */
export const movableParts = ({ parts }: Pick<Circuit, 'parts'>): string[] =>
  parts
    .filter(({ kind }) => partOfKind(kind).segments.some(({ faults }) => faults.includes('slack')))
    .map(({ id }) => id)

/** The state while everything is shaken, as on the road or by a hand along the harness. */
export const shaken = <S extends CircuitState | Arrangement>(circuit: Circuit, state: S): S => ({
  ...state,
  wiggled: movableParts(circuit),
})

/** Everything that can come and go is moved. */
export const isShaken = (circuit: Circuit, { wiggled }: Pick<Arrangement, 'wiggled'>): boolean => {
  const moved = new Set(wiggled)
  const all = movableParts(circuit)
  return all.length > 0 && all.every((id) => moved.has(id))
}

/** The same with nothing moved. */
export function still(arrangement: Arrangement): Arrangement {
  const rest = { ...arrangement }
  delete rest.wiggled
  return rest
}
