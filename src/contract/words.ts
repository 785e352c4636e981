import { english, speaker } from '../core/words'
import { say } from './phrases'

/** What the contract says, by code, in English. */
export const contractTexts: Readonly<Record<string, string>> = Object.fromEntries(
  Object.entries(say.english).map(([key, text]) => [`${say.prefix}.${key}`, text]),
)

/** Every text that server and interface say, in English. */
export const tell = speaker({ tag: 'en-GB', texts: { ...english, ...contractTexts } })
