import { partOfKind } from '../../parts'
import { modelOf, walkPaths } from '../../model'
import { type Circuit } from '../../circuit'

/** Paths that run through a load of the circuit. */
export const loaded = (circuit: Circuit): string[] =>
  walkPaths(circuit).flatMap(({ path, load }) =>
    load !== undefined &&
    circuit.parts.some(({ id, kind }) => id === load && partOfKind(kind).role === 'load')
      ? [path.id]
      : [],
  )

/** Whether a procedure is for a part of this kind: the part's definition names it. */
export const isAbout = (circuit: Circuit, id: string, procedure: string): boolean =>
  modelOf(circuit).find(id)?.definition.seeAlso.includes(procedure) ?? false

/** Those of a circuit that has a part of this kind. */
export const withKind =
  (...kinds: readonly string[]) =>
  (circuit: Circuit): string[] =>
    circuit.parts.some(({ kind }) => kinds.includes(kind)) ? loaded(circuit) : []
