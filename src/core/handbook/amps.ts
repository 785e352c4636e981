import { partOfKind } from '../parts'
import type { Stand } from './stand'

/** Amps through the first piece of every part that protects. */
export const fuseAmps = (stand: Stand): { part: string; amps: number }[] =>
  stand.circuit.parts.flatMap(({ id, kind }) => {
    const definition = partOfKind(kind)
    if (definition.role !== 'protection') return []
    const [, second, first] = [undefined, definition.segments[1], definition.segments[0]]
    const segment = second ?? first
    return segment ? [{ part: id, amps: stand.amps(id, segment.key) }] : []
  })
