import { verbatim, type Code, type Words } from '../document'

const known: Readonly<Record<string, Code>> = {
  dark: 'instruments.word.dark',
  glows: 'instruments.word.glows',
  dim: 'instruments.word.dim',
  bright: 'instruments.word.bright',
  glaring: 'instruments.word.glaring',
  blew: 'instruments.word.blew',
  holds: 'instruments.word.holds',
  slack: 'instruments.word.slack',
  firm: 'instruments.word.firm',
  silent: 'instruments.word.silent',
  clicks: 'instruments.word.clicks',
  nothing: 'instruments.word.nothing',
  starts: 'instruments.word.starts',
  'no answer': 'instruments.word.noAnswer',
  off: 'instruments.word.off',
  on: 'instruments.word.on',
}

/** What a word on an instrument's scale is called; words that people typed stay as they are. */
export const scaleWord = (key: string): Words => known[key] ?? verbatim(key)
