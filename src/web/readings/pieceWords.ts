import { t } from '../words'
import type { Circuit, Piece } from '../../core/circuit'
import { partOfKind } from '../../core/parts'

/** A piece in the reader’s language, `L1 work lamp, socket`: the school’s own name for the part, else the trade’s. */
export function pieceWords(circuit: Pick<Circuit, 'parts'>, { part: id, unit }: Piece): string {
  const part = circuit.parts.find((p) => p.id === id)!
  const { title, units } = partOfKind(part.kind)
  return `${id} ${part.name || t(title)}${units.length > 1 ? `, ${t(unit.name)}` : ''}`
}
