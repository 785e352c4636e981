import { readCircuitText } from '../../editing'
import type { Format } from '../format'

/** Our own open format; its schema is published. */
export const circuitJson: Format = {
  key: 'json',
  title: 'formats.circuitFile',
  about: 'formats.circuitJson.about',
  endings: ['json'],
  mime: 'application/json',
  looksLike: (text) => /^\s*[{[]/.test(text),
  read: (text) => readCircuitText(text, { unfinished: true }),
  write: ({ circuit }) => ({ ok: true, value: `${JSON.stringify(circuit, undefined, 2)}\n` }),
}
