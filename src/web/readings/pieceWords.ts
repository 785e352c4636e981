import { partOf, type Piece } from '../../core/model'
import { tell } from '../words'
import type { Circuit } from '../../core/circuit'
import { partOfKind } from '../../core/parts'

/** A piece in the reader’s language, `L1 work lamp, socket`: the school’s own name for the part, else the trade’s. */
export function pieceWords(circuit: Circuit, { part: id, unit }: Piece): string {
  const part = partOf(circuit, id)
  const { title, units } = partOfKind(part.kind)
  return `${id} ${part.name || tell(title)}${units.length > 1 ? `, ${tell(unit.name)}` : ''}`
}
