import { piecesOf } from '../../core/model'
import { type Circuit } from '../../core/circuit'
import { tell, tellWith } from '../words'

/** A piece as it is spoken of: `F1 holder`; a part that is one piece by its short name. */
export const pieceName = (circuit: Circuit, id: string): string | undefined => {
  const piece = id.includes('.') ? piecesOf(circuit).find((one) => one.id === id) : undefined
  return piece && `${piece.part} ${tell(piece.unit.name)}`
}

/** Makes sentences of what is judged: with the words of the rules, and the pieces of this circuit by their names. */
export const verdictWords = (circuit: Circuit | null | undefined) =>
  tellWith((key) => (circuit ? pieceName(circuit, key) : undefined))
