import { ruleTexts } from '../../core/assessment/rules/registry'
import { piecesOf, type Circuit } from '../../core/circuit'
import { speakerWith, t } from '../words'

/** A piece as it is spoken of: `F1 holder`; a part that is one piece by its short name. */
export const pieceName = (circuit: Pick<Circuit, 'parts' | 'paths'>, id: string): string | undefined => {
  const piece = id.includes('.') ? piecesOf(circuit).find((one) => one.id === id) : undefined
  return piece && `${piece.part} ${t(piece.unit.name)}`
}

/** Makes sentences of what is judged: with the words of the rules, and the pieces of this circuit by their names. */
export const verdictWords = (circuit: Pick<Circuit, 'parts' | 'paths'> | null | undefined) =>
  speakerWith(ruleTexts, (key) => (circuit ? pieceName(circuit, key) : undefined))
