import { say } from './phrases'

/** What the contract says, by code, in English. */
export const contractTexts: Readonly<Record<string, string>> = Object.fromEntries(
  Object.entries(say.english).map(([key, text]) => [`${say.prefix}.${key}`, text]),
)
