import type { LanguageFile } from '../languages'
import { book, bookPatterns } from './book'
import { codes } from './codes'
import { interfaceTexts } from './interface'
import { procedureTexts } from './procedures'
import { patterns, trade } from './trade'

/** German, as the trade speaks it. */
export const de: LanguageFile = {
  tag: 'de-DE',
  decimal: ',',
  quotes: ['„', '“'],
  codes,
  texts: { ...procedureTexts, ...book, ...trade, ...interfaceTexts },
  patterns: { ...patterns, ...bookPatterns },
}
