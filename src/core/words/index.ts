import { byCode } from '../../messages/codes'
import { en } from '../../messages/en'
import { formatter, teller } from './tell'

export { formatter, teller, withDecimal, type Values } from './tell'

/** The English of every code. */
export const english = byCode(en)

/** In English: for commands, and for tests. */
export const tell = teller({ tag: 'en-GB', smallTitles: true, format: formatter('en-GB', english) })
