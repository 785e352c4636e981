import { english, speaker } from '../core/words'
import { say } from './phrases'

const own = Object.fromEntries(
  Object.entries(say.english).map(([key, text]) => [`${say.prefix}.${key}`, text]),
)

/** Every text that server and interface say, in English; `more` brings what only some places load. */
export const speakerWith = (more: Readonly<Record<string, string>> = {}) =>
  speaker({ tag: 'en-GB', texts: { ...english, ...own, ...more } })

export const tell = speakerWith()
