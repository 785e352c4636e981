import { cached } from '../cache'
import { refOf, splitRef, type Circuit } from '../circuit'
import { partOfKind, type StrikeUnit } from '../parts'
import { spareSegments } from './spare'

/** A piece as the trade strikes it out or names it: `W4`, or `K1.coil` of a part that has several. */
export interface Piece {
  readonly id: string
  readonly part: string
  readonly unit: StrikeUnit
}

/** Every piece of a circuit, in the order of its parts. */
export const piecesOf = cached({ owner: (circuit: Circuit) => circuit }, listPieces)

function listPieces(circuit: Circuit): readonly Piece[] {
  const spare = spareSegments(circuit)
  return circuit.parts.flatMap((part) => {
    const { units } = partOfKind(part.kind)
    const wired = units.filter((u) => !u.segments.every((key) => spare.has(refOf(part.id, key))))
    return wired.map((unit) => ({
      id: units.length === 1 ? part.id : refOf(part.id, unit.key),
      part: part.id,
      unit,
    }))
  })
}

/**
 * The pieces that a name stands for: a part's all (`K1`), one of them (`K1.coil`), or the one that a segment belongs to
 * (`W4.copper`). None for a name that is no piece's.
 */
export function findPieces(circuit: Circuit, name: string): Piece[] {
  const [id, key] = splitRef(name)
  return piecesOf(circuit).filter(
    ({ part, unit }) => part === id && (key === undefined || unit.key === key || unit.segments.includes(key)),
  )
}
