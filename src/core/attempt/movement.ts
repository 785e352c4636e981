import { allMoved } from '../board'
import type { Circuit, CircuitState } from '../circuit'
import { canMove, faultsOf } from '../faults'
import { partOfKind } from '../parts'
import type { Arrangement } from './steps'

/** Parts in which something can come and go while they are moved: a contact, a chafe, a break. */
export const movableParts = ({ parts }: Pick<Circuit, 'parts'>): string[] =>
  parts
    .filter(({ kind }) => {
      const definition = partOfKind(kind)
      return definition.segments.some((segment) =>
        faultsOf(definition, segment).some((fault) => fault === 'slack' || canMove(fault, definition)),
      )
    })
    .map(({ id }) => id)

/** Those of which a contact comes and goes; all that can be moved where there is none. */
function contacts(circuit: Pick<Circuit, 'parts'>): string[] {
  const found = circuit.parts
    .filter(({ kind }) => partOfKind(kind).segments.some(({ faults }) => faults.includes('slack')))
    .map(({ id }) => id)
  return found.length ? found : movableParts(circuit)
}

/** The state while everything is shaken, as on the road or by a hand along the harness. */
export const shaken = <S extends CircuitState | Arrangement>(circuit: Circuit, state: S): S => ({
  ...state,
  wiggled: contacts(circuit),
})

/** Everything that can come and go is moved. */
export const isShaken = (circuit: Circuit, { wiggled = [] }: Pick<Arrangement, 'wiggled'>): boolean =>
  wiggled.length > 0 && allMoved(circuit, { wiggled })

/** The same with nothing moved. */
export function still(arrangement: Arrangement): Arrangement {
  const rest = { ...arrangement }
  delete rest.wiggled
  return rest
}
