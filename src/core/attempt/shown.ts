import { figures, messageOf, type Message } from '../document'
import { scaleWord } from '../instruments'
import type { StoredReading } from './steps'

/** What a display or a person's eye told: figures, or a word of the instrument's scale. */
export const shownOf = ({ text, word }: Pick<StoredReading, 'text' | 'word'>): Message =>
  text || word === undefined ? figures(text) : messageOf(scaleWord(word))
