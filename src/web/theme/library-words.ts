import { dateDeDE, dateEnGB, dateFrFR, deDE, enGB, frFR, type NDateLocale, type NLocale } from 'naive-ui'

/** Words and dates of the library, by the reader’s language; English where it has none of ours. */
const words = { en: [enGB, dateEnGB], de: [deDE, dateDeDE], fr: [frFR, dateFrFR] } as const

export const libraryWords = (language: string): readonly [NLocale, NDateLocale] =>
  words[language as keyof typeof words] ?? words.en
