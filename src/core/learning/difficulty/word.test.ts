import { expect, it } from 'vitest'
import { wordOfDifficulty } from './word'

it.each([
  [-4, 'easy'],
  [-1, 'easy'],
  [-0.4, 'fair'],
  [0.99, 'hard'],
  [1.01, 'veryHard'],
] as const)('a difficulty of %s logits is %s', (logits, word) => {
  expect(wordOfDifficulty(logits)).toBe(word)
})
