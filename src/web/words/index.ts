import { createI18n, type MessageContext } from 'vue-i18n'
import { IntlMessageFormat } from 'intl-messageformat'
import type { Code, NoCodes, Words } from '../../core/document'
import * as quantity from '../../core/quantity'
import { teller, withDecimal } from '../../core/words/tell'
import { languages, type Language } from '../../messages/languages'
import { loadTexts, type Part, type Texts } from './load'

const kept = 'brachyon.language'

/** What is chosen in this browser, else what the browser itself prefers and there is. */
export const chosenLanguage = (): string => {
  const said = localStorage.getItem(kept)
  if (said && said in languages) return said
  return navigator.languages.map((one) => one.slice(0, 2)).find((one) => one in languages) ?? 'en'
}

const compiled = new Map<string, (context: MessageContext) => string>()
/** ICU messages, as the core has them too; each is read once. */
function compile(text: unknown, { locale }: { readonly locale: string }) {
  const known = compiled.get(`${locale} ${String(text)}`)
  if (known) return known
  const format = new IntlMessageFormat(String(text), languages[locale]!.tag, undefined, { ignoreTag: true })
  const made = ({ values }: MessageContext) => String(format.format(values as Record<string, string>))
  compiled.set(`${locale} ${String(text)}`, made)
  return made
}

const texts: Record<string, Record<string, string>> = {}
const i18n = createI18n({
  legacy: false,
  locale: 'en',
  fallbackLocale: 'en',
  missingWarn: false,
  fallbackWarn: false,
  messages: {} as Record<string, Record<string, string>>,
  // Codes have points in them: they are looked up whole.
  messageResolver: (all, code) => (all as Record<string, string>)[code] ?? null,
  messageCompiler: compile,
}).global

/** The language of this page; it changes by loading the page anew. */
let language: Language = languages.en!

/** @internal for tests of the words themselves */
export function use(key: string, more: Texts = {}): void {
  Object.assign((texts[key] ??= {}), more)
  i18n.setLocaleMessage(key, texts[key]!)
  i18n.locale.value = key
  language = languages[key]!
  told = voice()
}

/** Loads the language before anything is shown: as much of it as signing in needs. */
export async function loadLanguage(key = chosenLanguage()): Promise<void> {
  await load(key, 'start')
  if (typeof document !== 'undefined') document.documentElement.lang = key
}

/** What stands between a beginning and an end in the codes that there are: all of a kind whose texts are known. */
export const codesBetween = (begins: string, ends: string): string[] =>
  Object.keys(texts.en ?? {}).flatMap((code) =>
    code.startsWith(begins) && code.endsWith(ends) ? [code.slice(begins.length, -ends.length)] : [],
  )

const whole = new Map<string, Promise<void>>()
/** All that there is to say: nobody waits for it who only signs in. */
export function loadWords(): Promise<void> {
  const key = i18n.locale.value
  const known = whole.get(key)
  if (known) return known
  const loading = load(key, 'rest').catch((error: unknown) => {
    whole.delete(key)
    throw error
  })
  whole.set(key, loading)
  return loading
}

async function load(key: string, part: Part): Promise<void> {
  // A text that a language has not got yet is said in English.
  const [own, english] = await Promise.all([loadTexts(key, part), key === 'en' ? {} : loadTexts('en', part)])
  if (key !== 'en') {
    Object.assign((texts.en ??= {}), english)
    i18n.setLocaleMessage('en', texts.en)
  }
  use(key, own)
}

/** Takes another language up; the page is loaded anew with it. True where it was another. */
export function chooseLanguage(key: string): boolean {
  // What an account names and this version has not got is no other language: it stays as it is.
  if (key === chosenLanguage() || !(key in languages)) return false
  localStorage.setItem(kept, key)
  return true
}

/** The tag of the language, for dates and lists. */
export const tag = (): string => language.tag

/** The text of a code, filled with what stands as it is: somebody’s words, a name, a number that is written out. */
export const t = <V extends Filled>(code: Code, values?: V & NoCodes<V>): string =>
  values ? i18n.t(code, values) : i18n.t(code)
type Filled = Readonly<Record<string, string | number | null | undefined>>

/** Makes a sentence of what the core or the server says. */
export const tell = (words: Words): string => told(words)

const voice = (named?: (key: string) => string | undefined) =>
  teller({
    tag: language.tag,
    smallTitles: language.smallTitles,
    format: (code, values) => i18n.t(code, values),
    number: localNumbers,
    named,
  })
let told: typeof tell
/** The same, with names of what is known by a key. */
export const tellWith = (named: (key: string) => string | undefined): typeof tell => voice(named)

/** A title within a sentence: English writes it small there, German as it is. */
export const within = (title: Words): string =>
  language.smallTitles ? tell(title).toLowerCase() : tell(title)

/** What a person has said, word for word, in the quotation marks of this language. */
export const quoted = (said: string): string => language.quotes.join(said)

/** Names in a row, as this language joins them: “A, B and C”. */
export const listed = (names: readonly string[]): string =>
  new Intl.ListFormat(language.tag, { type: 'conjunction' }).format(names)

/** The decimal sign of this language in a text whose numbers have a point, such as a display's. */
export const localNumbers = (text: string): string => withDecimal(text, language.decimal)

export const formatQuantity = (value: number, unit: quantity.Unit): string =>
  localNumbers(quantity.formatQuantity(value, unit))
export const formatPlain = (value: number, digits?: number): string =>
  localNumbers(quantity.formatPlain(value, digits))
export const formatNumber = (value: number, decimals: number): string =>
  localNumbers(quantity.formatNumber(value, decimals))

told = voice()
