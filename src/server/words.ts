import { readdirSync, readFileSync } from 'node:fs'
import type { User } from '../contract'
import type { Words } from '../core/document'
import { english, formatter, teller, withDecimal } from '../core/words'
import { byCode } from '../messages/codes'
import { languages } from '../messages/languages'

type Texts = Readonly<Record<string, string>>
/** From the sources and from what is built of them, the folder of messages lies at the same place. */
const folder = new URL('../../src/messages/', import.meta.url)
const made = new Map<string, (words: Words) => string>()

/** Makes sentences in the language of somebody's account, for what becomes their own text: a complaint, a name. */
export function tellFor({ language }: Pick<User, 'language'>): (words: Words) => string {
  const key = language && language in languages ? language : 'en'
  let tell = made.get(key)
  if (!tell) {
    const { tag, smallTitles, decimal } = languages[key]!
    tell = teller({
      tag,
      smallTitles,
      format: formatter(tag, { ...english, ...textsOf(key) }),
      number: (text) => withDecimal(text, decimal),
    })
    made.set(key, tell)
  }
  return tell
}

function textsOf(language: string): Texts {
  const own = new URL(`${language}/`, folder)
  const files = readdirSync(own, { recursive: true, encoding: 'utf8' }).filter((file) =>
    file.endsWith('.json'),
  )
  return byCode(
    Object.fromEntries(
      files.map((file) => [
        file.replace('.json', '').replace(/[\\/]/g, '.'),
        JSON.parse(readFileSync(new URL(file, own), 'utf8')) as Texts,
      ]),
    ),
  )
}
