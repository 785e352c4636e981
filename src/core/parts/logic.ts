import { cached } from '../cache'
import { type Message, say } from '../document'

/** What a module's condition may refer to: switched inputs are true or false, signals are volts. */
export type Facts = Readonly<Record<string, boolean | number>>

/** A condition that has been read; pure. */
export type Condition = (facts: Facts) => boolean

type Names = ReadonlyMap<string, 'switched' | 'volts'>
type ReadCondition =
  { readonly ok: true; readonly condition: Condition } | { readonly ok: false; readonly why: Message }

/**
 * Reads a condition over named inputs: `i1 and not (i2 or s1 > 2.5)`. An empty text never holds. `names` are the ones
 * that exist, with those that are volts told apart.
 */
export const readCondition = cached(
  { owner: (_text: string, names: Names) => names, key: (text) => text, most: 500 },
  parseCondition,
)

function parseCondition(text: string, names: Names): ReadCondition {
  const tokens = text.toLowerCase().match(/[a-z][a-z0-9]*|\d+(?:\.\d+)?|[()<>]|\S/g) ?? []
  if (tokens.length === 0) return { ok: true, condition: () => false }
  let at = 0
  let why: Message | undefined
  const fail = (what: Message): undefined => {
    why ??= say('parts.expected', { what, at: tokens[at] ?? 'end' })
    return undefined
  }
  /** One or more, with the same word between them. */
  const joined = (word: string, next: () => Condition | undefined): Condition[] | undefined => {
    const parts: Condition[] = []
    do {
      const part = next()
      if (!part) return undefined
      parts.push(part)
    } while (tokens[at] === word && ++at)
    return parts
  }
  const either = (): Condition | undefined => {
    const parts = joined('or', both)
    return parts && ((facts) => parts.some((part) => part(facts)))
  }
  const both = (): Condition | undefined => {
    const parts = joined('and', single)
    return parts && ((facts) => parts.every((part) => part(facts)))
  }
  const single = (): Condition | undefined => {
    const token = tokens[at]
    if (token === undefined) return fail(say('parts.input'))
    if (token === 'not') {
      at++
      const inner = single()
      return inner && ((facts) => !inner(facts))
    }
    if (token === '(') {
      at++
      const inner = either()
      if (inner && tokens[at] !== ')') return fail(say('parts.bracket'))
      at++
      return inner
    }
    const kind = names.get(token)
    if (!kind) return fail(say('parts.oneOf', { names: [...names.keys()] }))
    at++
    if (kind === 'switched') return (facts) => facts[token] === true
    const sign = tokens[at]
    if (sign !== '>' && sign !== '<') return fail(say('parts.comparison'))
    const limit = Number(tokens[++at])
    if (!Number.isFinite(limit)) return fail(say('parts.volts'))
    at++
    return (facts) => (sign === '>' ? Number(facts[token]) > limit : Number(facts[token]) < limit)
  }
  const condition = either()
  if (condition && at < tokens.length) fail(say('parts.joined'))
  return why ? { ok: false, why } : { ok: true, condition: condition! }
}
