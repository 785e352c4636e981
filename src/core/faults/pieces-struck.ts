import { findPieces } from '../model'
import type { Circuit } from '../circuit'
import type { Fault } from './fault'

/**
 * Ids of the pieces that a fault strikes: one, or both where it joins two. Either names the place, and parting either
 * from the other cures it.
 */
export const piecesStruck = (circuit: Circuit, faults: readonly Fault[]): string[] => [
  ...new Set(
    faults.flatMap(({ part, segment, other }) =>
      [`${part}.${segment}`, ...(other === undefined ? [] : [other])].flatMap((at) =>
        findPieces(circuit, at).map(({ id }) => id),
      ),
    ),
  ),
]
