import type { Message } from '../document'
import { say } from './phrases'
/** What a module's condition may refer to: switched inputs are true or false, signals are volts. */
export type Facts = Readonly<Record<string, boolean | number>>

/** A condition that has been read; pure. */
export type Condition = (facts: Facts) => boolean

/**
 * Reads a condition over named inputs: `i1 and not (i2 or s1 > 2.5)`. An empty text never holds. `names` are the ones
 * that exist, with those that are volts told apart.
 */
export function readCondition(
  text: string,
  names: ReadonlyMap<string, 'switched' | 'volts'>,
): { ok: true; condition: Condition } | { ok: false; why: Message } {
  const tokens = text.toLowerCase().match(/[a-z][a-z0-9]*|\d+(?:\.\d+)?|[()<>]|\S/g) ?? []
  if (tokens.length === 0) return { ok: true, condition: () => false }
  let at = 0
  const fail = (what: Message): never => {
    throw new Unreadable(say('expected', { what, at: tokens[at] ?? 'end' }))
  }
  const either = (): Condition => {
    const parts = [both()]
    while (tokens[at] === 'or') {
      at++
      parts.push(both())
    }
    return (facts) => parts.some((part) => part(facts))
  }
  const both = (): Condition => {
    const parts = [single()]
    while (tokens[at] === 'and') {
      at++
      parts.push(single())
    }
    return (facts) => parts.every((part) => part(facts))
  }
  const single = (): Condition => {
    const token = tokens[at] ?? fail(say('input'))
    if (token === 'not') {
      at++
      const inner = single()
      return (facts) => !inner(facts)
    }
    if (token === '(') {
      at++
      const inner = either()
      if (tokens[at] !== ')') fail(say('bracket'))
      at++
      return inner
    }
    const kind = names.get(token)
    if (!kind) return fail(say('oneOf', { names: [...names.keys()] }))
    at++
    if (kind === 'switched') return (facts) => facts[token] === true
    const sign = tokens[at]
    if (sign !== '>' && sign !== '<') return fail(say('comparison'))
    const limit = Number(tokens[++at])
    if (!Number.isFinite(limit)) return fail(say('volts'))
    at++
    return (facts) => (sign === '>' ? Number(facts[token]) > limit : Number(facts[token]) < limit)
  }
  try {
    const condition = either()
    if (at < tokens.length) fail(say('joined'))
    return { ok: true, condition }
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, why: error.why }
    throw error
  }
}

class Unreadable extends Error {
  constructor(readonly why: Message) {
    super(why.code)
  }
}
