import { ZxcvbnFactory } from '@zxcvbn-ts/core'
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common'
import { leastPassword, say } from '../contract'
import { Refusal } from './refusal'

/** Of 0 to 4: from 3 on it stands some ten thousand million guesses (zxcvbn; Wheeler, USENIX Security 2016). */
const leastScore = 3
/** Letters that must be left when all that everybody knows of its owner is taken out. */
const leastOwn = 8

/** Knows the hundred thousand commonest passwords and what keyboards, dates and repetitions make. */
const guesser = new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs })

/** Refuses a password that is short, common, or made of what everybody knows of its owner. */
export function checkStrength(
  password: string,
  { login, name }: { readonly login: string; readonly name: string },
): void {
  if (password.trim().length < leastPassword)
    throw new Refusal(422, say('passwordShort', { least: leastPassword }))
  const known = [login, ...name.toLowerCase().split(/\s+/), 'brachyon'].filter((word) => word.length > 1)
  const own = known.reduce((left, word) => left.replaceAll(word, ''), password.toLowerCase())
  if (own.length < leastOwn || guesser.check(password, known).score < leastScore)
    throw new Refusal(422, say('passwordGuessed'))
}
