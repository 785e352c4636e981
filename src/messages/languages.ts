/** A language that the interface is offered in; its texts are the files of its folder. */
export interface Language {
  /** In the language itself. */
  readonly name: string
  /** BCP 47, for dates, numbers and plurals. */
  readonly tag: string
  /** Its decimal sign. */
  readonly decimal: '.' | ','
  /** What goes round what a person has said. */
  readonly quotes: readonly [before: string, after: string]
  /** A title within a sentence begins small. */
  readonly smallTitles: boolean
  /** Every text has been translated; what a language lacks is said in English. */
  readonly whole: boolean
}

/** Every language by the name of its folder. A new one is that folder and its line here. */
export const languages: Readonly<Record<string, Language>> = {
  en: { name: 'English', tag: 'en-GB', decimal: '.', quotes: ['“', '”'], smallTitles: true, whole: true },
  de: { name: 'Deutsch', tag: 'de-DE', decimal: ',', quotes: ['„', '“'], smallTitles: false, whole: true },
  // Signing in, accounts and what the server says: how far a language may go before the rest is there.
  fr: {
    name: 'Français',
    tag: 'fr-FR',
    decimal: ',',
    quotes: ['«\u00a0', '\u00a0»'],
    smallTitles: true,
    whole: false,
  },
}
