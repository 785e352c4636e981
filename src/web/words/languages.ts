/** One language: what overrides the English. */
export interface LanguageFile {
  /** BCP 47, for dates, numbers and plurals. */
  readonly tag: string
  /** Its decimal sign. */
  readonly decimal: '.' | ','
  /** What goes round what a person has said. */
  readonly quotes: readonly [before: string, after: string]
  /** ICU messages by their code, as the English has them in the `phrases` of each folder. */
  readonly codes: Readonly<Record<string, string>>
  /** Texts by their English: of the interface, and the trade's names. */
  readonly texts: Readonly<Record<string, string>>
  /** Sentences that the core puts together, by their shape: `{ohms} in series`. */
  readonly patterns: Readonly<Record<string, string>>
}

export interface OfferedLanguage {
  /** In the language itself. */
  readonly name: string
  readonly load: () => Promise<LanguageFile>
}

/** Every language beside English. A new one is its file and its line here. */
export const languages: Readonly<Record<string, OfferedLanguage>> = {
  de: { name: 'Deutsch', load: async () => (await import('./de')).de },
}
