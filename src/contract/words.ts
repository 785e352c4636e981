import { english, speaker } from '../core/words'
import { contractTexts } from './texts'

export { contractTexts }

/** Every text that server and interface say, in English. */
export const tell = speaker({ tag: 'en-GB', texts: { ...english, ...contractTexts } })
