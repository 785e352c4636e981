import type { Message } from '../document'
import { instrumentOf, type InstrumentKey } from '../instruments'
import { parseQuantity } from '../quantity'
import type { Prediction, StoredReading } from './steps'

export type Said<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly why: Message }

/** What is to be shown, as the trade says it: `12.4`, `80m`, `OL`, `beep`, `dim`. */
export function predictionSaid(key: InstrumentKey, text: string): Said<Prediction> {
  const { asks } = instrumentOf(key)
  const said = text.trim()
  if (asks.type === 'beep') return { ok: true, value: { type: /^(beep|yes)/i.test(said) ? 'beep' : 'OL' } }
  if (asks.type === 'word') return { ok: true, value: { type: 'word', word: said } }
  if (isOpen(said)) return { ok: true, value: { type: 'OL' } }
  const read = parseQuantity(said, asks.unit)
  return read.ok ? { ok: true, value: { type: 'value', value: read.value } } : read
}

/** What a display or an eye shows, as the trade says it, as a reading. */
export function readingSaid(key: InstrumentKey, text: string): Said<StoredReading> {
  const { asks } = instrumentOf(key)
  const said = text.trim()
  if (asks.type === 'word' && Object.hasOwn(asks.words, said))
    return { ok: true, value: { unit: 'V', text: '', word: said, signs: [] } }
  const unit = asks.type === 'value' ? asks.unit : 'Ω'
  const signs = /beep/i.test(said) ? [{ code: 'instruments.beeps' }] : []
  if (isOpen(said)) return { ok: true, value: { unit, text: 'OL', signs } }
  if (asks.type === 'beep' && signs.length) return { ok: true, value: { value: 0, unit, text: said, signs } }
  const read = parseQuantity(said, unit)
  return read.ok ? { ok: true, value: { value: read.value, unit, text: said, signs } } : read
}

const isOpen = (said: string): boolean => /^o\.?l\.?$/i.test(said)
