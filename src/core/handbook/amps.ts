import { partOfKind } from '../parts'
import type { Stand } from './stand'

/** Amps through every part that protects: through its link, which stands between its clips. */
export const fuseAmps = (stand: Stand): { part: string; amps: number }[] =>
  stand.circuit.parts.flatMap(({ id, kind }) => {
    const { role, segments, protects } = partOfKind(kind)
    const link = protects?.segment ?? segments[0]?.key
    return role === 'protection' && link !== undefined ? [{ part: id, amps: stand.amps(id, link) }] : []
  })
