import type { Shown } from '../../../core/handbook'
import { formatQuantity, tell } from '../../words'

/** What a step or an example shows, as a display or a person would say it. */
export function writeShown({ value, unit, word }: Shown): string {
  if (word) return tell(word)
  if (value === undefined) return unit === 'Ω' ? 'OL' : '–'
  return formatQuantity(value, unit)
}
