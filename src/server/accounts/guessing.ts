import { ZxcvbnFactory } from '@zxcvbn-ts/core'
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common'
import { commonWords } from './common-words'

/** Of 0 to 4: from 3 on it stands some ten thousand million guesses (zxcvbn; Wheeler, USENIX Security 2016). */
const leastScore = 3
/** Letters that must be left when all that everybody knows of its owner is taken out. */
const leastOwn = 8
/** Words out of the list of common ones that are too few by themselves, with whatever year stands behind them. */
const fewWords = 2
/** Letters beside the common words that make a password its owner's own. */
const leastBeside = 5
/** The time of looking grows with the square of the length; what is this long is not guessed. */
const mostLooked = 72

/** Knows the hundred thousand commonest passwords and what keyboards, dates and repetitions make. */
const guesser = new ZxcvbnFactory({
  dictionary: { ...dictionary, common: [...commonWords] },
  graphs: adjacencyGraphs,
})

/** The longest first: `mechatroniker` before `mechanik`. */
const byLength = [...commonWords].sort((a, b) => b.length - a.length)

/**
 * Whether a password is common, or made of what everybody knows: of its owner, of the school, of the seasons and the trade.
 * @param known words that are known of its owner, in small letters
 */
export function isGuessed(password: string, known: readonly string[]): boolean {
  const looked = password.normalize('NFKC').toLowerCase().slice(0, mostLooked)
  const own = known.reduce((left, word) => left.replaceAll(word, ''), looked)
  if (own.length < leastOwn) return true
  let words = looked.length > own.length ? 1 : 0
  let beside = own.replace(/[^\p{L}]/gu, '')
  for (const word of byLength) {
    const without = beside.replaceAll(word, ' ')
    words += without.split(' ').length - beside.split(' ').length
    beside = without
  }
  if (words <= fewWords && beside.replaceAll(' ', '').length < leastBeside) return true
  return guesser.check(looked, [...known]).score < leastScore
}
