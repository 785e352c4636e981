import type { Words } from '../../core/document'
import type { AnyPart, Route } from '../../core/parts'

/** How one way through a part of many pieces is drawn. */
export interface PassSymbol {
  readonly symbol: string
  readonly caption: Words | ''
  /** Which of the pass's pieces the symbol stands for, or undefined where it shows them all. */
  readonly piece?: number
  /** Positions in which it is drawn closed. */
  readonly closes?: readonly string[]
}

/** Symbols that show a contact and what follows it. */
const whole = new Set(['starterMotor'])

/** Undefined for a part that is drawn whole. */
export function passSymbol({ passes }: AnyPart, { segments }: Route): PassSymbol | undefined {
  if (!passes) return undefined
  for (const { segment, symbol, caption, closes } of passes) {
    const piece = segments.findIndex((s) => s.key === segment)
    if (piece < 0) continue
    const drawn = { symbol, caption, ...(closes && { closes }) }
    return whole.has(symbol) ? drawn : { ...drawn, piece }
  }
  return { symbol: 'block', caption: '' }
}
