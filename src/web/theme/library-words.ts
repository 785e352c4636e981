import { dateDeDE, dateEnGB, dateFrFR, deDE, enGB, frFR, type NDateLocale, type NLocale } from 'naive-ui'

/** Words and dates of the library, by the reader’s language; English where it has none of ours. */
const words = { en: [enGB, dateEnGB], de: [deDE, dateDeDE], fr: [frFR, dateFrFR] } as const

export function libraryWords(language: string): readonly [NLocale, NDateLocale] {
  const [locale, dates] = words[language as keyof typeof words] ?? words.en
  // An empty field that says “Please Input” says nothing that its name does not.
  return [{ ...locale, Input: { ...locale.Input, placeholder: '' } }, dates]
}
