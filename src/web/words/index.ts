import { ref } from 'vue'
import { IntlMessageFormat } from 'intl-messageformat'
import { contractTexts } from '../../contract/texts'
import type { Message } from '../../core/document'
import * as quantity from '../../core/quantity'
import { speaker } from '../../core/words/tell'
import { languages, type LanguageFile } from './languages'

/** The language of this page: English until another has been loaded; it changes by loading the page anew. */
let file: LanguageFile | undefined
export const tag = ref('en-GB')
const kept = 'brachyon.language'

/** What is chosen in this browser, else what the browser itself prefers and there is. */
export const chosenLanguage = (): string => {
  const said = localStorage.getItem(kept)
  if (said && (said === 'en' || said in languages)) return said
  const preferred = navigator.languages
    .map((one) => one.slice(0, 2))
    .find((one) => one === 'en' || one in languages)
  return preferred ?? 'en'
}

/** Loads the language before anything is shown. */
export async function loadLanguage(): Promise<void> {
  const key = chosenLanguage()
  if (key !== 'en') use(await languages[key]!.load())
  document.documentElement.lang = key
}

/** @internal for tests of the words themselves */
export function use(chosen: LanguageFile | undefined): void {
  file = chosen
  tag.value = chosen?.tag ?? 'en-GB'
  known.clear()
  tell = speakerWith()
}

let core: Readonly<Record<string, string>> = {}
/** What the core says, in English: nobody waits for it who only signs in. */
export async function loadCore(): Promise<void> {
  if (Object.keys(core).length) return
  core = (await import('../../core/words/english')).english
  tell = speakerWith()
}

/** Takes another language up; the page is loaded anew with it. True where it was another. */
export function chooseLanguage(key: string): boolean {
  // What an account names and this version has not got is no other language: it stays as it is.
  if (key === chosenLanguage() || (key !== 'en' && !(key in languages))) return false
  localStorage.setItem(kept, key)
  return true
}

const known = new Map<string, string>()
const formats = new Map<string, IntlMessageFormat>()
type Params = Readonly<Record<string, unknown>>

/** A text of the interface, by its English: an ICU message where it has parameters. */
export function t(text: string, params?: Params): string {
  const said = file?.texts[text] ?? text
  if (!params) return file ? (known.get(text) ?? remember(text)) : text
  let format = formats.get(said)
  if (!format) {
    format = new IntlMessageFormat(said, tag.value, undefined, { ignoreTag: true })
    formats.set(said, format)
  }
  try {
    return String(format.format(file ? inOwnWords(params) : (params as Record<string, string>)))
  } catch {
    // A word that was forgotten is no reason to show nothing.
    return said
  }
}

/** A title within a sentence: English writes it small there, others as it is. */
export const within = (title: string): string => (file ? t(title) : title.toLowerCase())

/** What a person has said, word for word, in the quotation marks of this language. */
export const quoted = (said: string): string => (file?.quotes ?? ['“', '”']).join(said)

/** Longer than any name or reading: what a person has written, which nobody changes. */
const prose = 40

/** Names of the trade that come in as parameters; a person’s own words stay as they are. */
const inOwnWords = (params: Params): Record<string, string> =>
  Object.fromEntries(
    Object.entries(params).map(([name, value]) => [
      name,
      (typeof value === 'string' ? inOwnWord(value) : value) as string,
    ]),
  )

const inOwnWord = (value: string): string =>
  value.length > prose && file && !translates(value, file) ? value : t(value)

/** What the trade's names and the core's own sentences are in this language: whole, else piece by piece by a pattern. */
function remember(text: string): string {
  const found = file ? translate(text, file) : text
  if (known.size > 20_000) known.clear()
  known.set(text, found)
  return found
}

interface Pattern {
  readonly shape: RegExp
  readonly names: readonly string[]
  readonly said: string
}
const patterns = new WeakMap<LanguageFile, readonly Pattern[]>()
function patternsOf(language: LanguageFile): readonly Pattern[] {
  const made = patterns.get(language)
  if (made) return made
  const all = Object.entries(language.patterns).map(([text, said]): Pattern => {
    const names: string[] = []
    const shape = text.replace(/[.*+?^$()|[\]\\]/g, '\\$&').replace(/\{(\w+)\}/g, (_, name: string) => {
      names.push(name)
      // A part is known by its short name: else any sentence with a colon would be one.
      return name === 'part' ? '([A-Z]{1,3}\\d{1,3}\\S?(?: .+?)?)' : '(.+?)'
    })
    return { shape: new RegExp(`^${shape}$`, 'su'), names, said }
  })
  patterns.set(language, all)
  return all
}

/** Whether a language has a text of its own for this one, whole or by a pattern. */
export const translates = (text: string, language: LanguageFile): boolean =>
  language.texts[text] !== undefined || patternsOf(language).some(({ shape }) => shape.test(text))

function translate(text: string, language: LanguageFile, depth = 0): string {
  const whole = language.texts[text]
  if (whole !== undefined) return whole
  if (depth < 4)
    for (const { shape, names, said } of patternsOf(language)) {
      const match = shape.exec(text)
      if (!match) continue
      const parts = Object.fromEntries(
        names.map((name, i) => [name, translate(match[i + 1]!, language, depth + 1)]),
      )
      return said.replace(/\{(\w+)\}/g, (_, name: string) => parts[name] ?? '')
    }
  const named = depth < 4 ? piece.exec(text) : null
  return named ? `${named[1]!} ${translate(named[2]!, language, depth + 1)}` : localNumbers(text)
}

/** A decimal point; not that of a point’s name, such as K1.30, nor of a date. */
const inside = /(?<![\p{L}\d.,])(\d+)\.(\d+)(?![.\d])/gu
/** A piece by the short name of its part: `F1 fuse link`. */
const piece = /^([A-Z]{1,3}\d{1,3}\S?) (.+)$/su

const ownDecimal = (): string => file?.decimal ?? '.'

/** The decimal sign of this language in a text whose numbers have a point, such as a display's. */
export function localNumbers(text: string): string {
  const sign = ownDecimal()
  return sign === '.' ? text : text.replace(inside, `$1${sign}$2`)
}

export const formatQuantity = (value: number, unit: quantity.Unit): string =>
  localNumbers(quantity.formatQuantity(value, unit))
export const formatPlain = (value: number, digits?: number): string =>
  localNumbers(quantity.formatPlain(value, digits))
export const formatNumber = (value: number, decimals: number): string =>
  localNumbers(quantity.formatNumber(value, decimals))

/** Makes sentences of messages; `more` brings what only some places load, `named` the names of what is known by a key. */
export const speakerWith = (
  more: Readonly<Record<string, string>> = {},
  named: (key: string) => string | undefined = () => undefined,
): ((message: Message) => string) => {
  const local = { number: localNumbers, text: (text: string) => named(text) ?? t(text) }
  const own = { tag: 'en-GB', texts: { ...core, ...contractTexts, ...more }, local }
  return file ? speaker({ tag: file.tag, texts: file.codes, local }, own) : speaker(own)
}
export let tell = speakerWith()
