import { IntlMessageFormat } from 'intl-messageformat'
import { isMessage, type Message, type Param, type Words } from '../document'
import { formatQuantity, type Unit } from '../quantity'

/** What fills a text once it is written out. */
export type Values = Readonly<Record<string, string | number>>

/** How a language makes a sentence, and how it writes numbers and lists. */
export interface Voice {
  /** The text of a code, filled; the code itself where there is none. */
  readonly format: (code: string, values: Values) => string
  /** A number with its unit, its decimal sign. */
  readonly number?: (text: string) => string
  /** What a string stands for that is a key; a person’s own words stay as they are. */
  readonly named?: ((text: string) => string | undefined) | undefined
  readonly tag: string
  /** Titles begin small within a sentence. */
  readonly smallTitles: boolean
}

/** Makes sentences of messages. Parameters are written by their type, and no string is ever looked up. */
export function teller({ format, number, named, tag, smallTitles }: Voice): (said: Words) => string {
  const lists = new Intl.ListFormat(tag, { type: 'unit', style: 'short' })
  const tell = (said: Words): string => {
    const { code, params } = typeof said === 'string' ? { code: said } : (said as Message)
    const values: Record<string, string | number> = {}
    for (const name in params) values[name] = written(params[name]!)
    return format(code, values)
  }
  const written = (value: Param): string | number => {
    if (typeof value === 'number') return value
    if (typeof value === 'string') return named?.(value) ?? value
    if (isMessage(value)) return tell(value)
    if ('within' in value) return smallTitles ? tell(value.within).toLowerCase() : tell(value.within)
    if ('shown' in value) return number?.(value.shown) ?? value.shown
    if ('unit' in value) {
      const text = formatQuantity(value.value, value.unit as Unit)
      return number?.(text) ?? text
    }
    return lists.format(value.map((one) => String(written(one))))
  }
  return tell
}

/** A decimal point; not that of a point’s name, such as K1.30, nor of a date. */
const point = /(?<![\p{L}\d.,])(\d+)\.(\d+)(?![.\d])/gu

/** The decimal sign of a language in a text whose numbers have a point, such as a display's. */
export const withDecimal = (text: string, sign: '.' | ','): string =>
  sign === '.' ? text : text.replace(point, `$1${sign}$2`)

/** Fills the ICU texts of one language. */
export function formatter(tag: string, texts: Readonly<Record<string, string>>): Voice['format'] {
  const formats = new Map<string, IntlMessageFormat>()
  return (code, values) => {
    let made = formats.get(code)
    if (!made) {
      const text = texts[code]
      if (text === undefined) return code
      made = new IntlMessageFormat(text, tag, undefined, { ignoreTag: true })
      formats.set(code, made)
    }
    return String(made.format(values))
  }
}
