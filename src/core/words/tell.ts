import { IntlMessageFormat } from 'intl-messageformat'
import { isMessage, type Message, type Param } from '../document'
import { formatQuantity, type Unit } from '../quantity'

/** A language: its tag, the ICU message of every code, and how it writes what comes in as a parameter. */
export interface Language {
  readonly tag: string
  readonly texts: Readonly<Record<string, string>>
  readonly local?: {
    /** A number with its unit, its decimal sign. */
    readonly number: (text: string) => string
    /** A word of the trade or a name, by its English. */
    readonly text: (text: string) => string
  }
}

/** Makes sentences of messages in one language; what it does not have is said in `fallback`, else by its code. */
export function speaker(language: Language, fallback?: Language): (message: Message) => string {
  const formats = new Map<string, IntlMessageFormat>()
  const lists = new Intl.ListFormat(language.tag, { type: 'unit', style: 'short' })
  const tell = ({ code, params = {} }: Message): string => {
    const format = formatOf(code)
    if (!format) return code
    const filled = Object.fromEntries(Object.entries(params).map(([name, value]) => [name, written(value)]))
    return String(format.format(filled))
  }
  const written = (value: Param): string | number => {
    if (typeof value === 'number') return value
    if (typeof value === 'string') return language.local?.text(value) ?? value
    if (isMessage(value)) return tell(value)
    if ('unit' in value) {
      const text = formatQuantity(value.value, value.unit as Unit)
      return language.local?.number(text) ?? text
    }
    return lists.format(value.map((one) => String(written(one))))
  }
  const formatOf = (code: string): IntlMessageFormat | undefined => {
    const known = formats.get(code)
    if (known) return known
    const text = language.texts[code] ?? fallback?.texts[code]
    if (text === undefined) return undefined
    const made = new IntlMessageFormat(text, language.tag, undefined, { ignoreTag: true })
    formats.set(code, made)
    return made
  }
  return tell
}
