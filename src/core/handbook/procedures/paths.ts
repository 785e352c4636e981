import { partOfKind, type AnyPart } from '../../parts'
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

/** Id of the first part of a circuit whose definition passes a test. */
export const firstPart = (circuit: Circuit, is: (definition: AnyPart) => boolean): string | undefined =>
  modelOf(circuit).parts.find(({ definition }) => is(definition))?.part.id

/** Paths of a circuit that has such a part. */
export const pathsWith =
  (is: (definition: AnyPart) => boolean) =>
  (circuit: Circuit): string[] =>
    firstPart(circuit, is) === undefined ? [] : loaded(circuit)
