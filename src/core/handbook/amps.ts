import { partOfKind } from '../parts'
import type { WorkedCircuit } from './worked-circuit'

/** Amps through every part that protects: through its link, which stands between its clips. */
export const fuseAmps = (worked: WorkedCircuit): { part: string; amps: number }[] =>
  worked.circuit.parts.flatMap(({ id, kind }) => {
    const { role, segments, protects } = partOfKind(kind)
    const link = protects?.segment ?? segments[0]?.key
    return role === 'protection' && link !== undefined ? [{ part: id, amps: worked.amps(id, link) }] : []
  })
