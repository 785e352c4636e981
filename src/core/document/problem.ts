import type { z } from 'zod'
import { uncoded, type Message, say } from './message'

/** What was wrong and what would be accepted, as a message, and where in the document. */
export interface Problem extends Message {
  /** Such as `parts[3] (L1).parameters.ratedPower`. */
  readonly where: string
}

export type Read<T> = { ok: true; value: T } | { ok: false; problems: readonly Problem[] }

/** A place in a document, such as `parts[2].kind`. */
export const writePath = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, key) =>
      typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key),
    '',
  ) || 'document'

/** What a schema refuses, each with its place. */
export function problemsOf(error: z.ZodError, prefix: readonly PropertyKey[] = []): Problem[] {
  return error.issues.map((issue) => ({
    where: writePath([...prefix, ...issue.path]),
    ...messageOf(issue),
  }))
}

/** Ours where the schema has one; else what the library found, as a code. */
function messageOf(issue: z.core.$ZodIssue): Message {
  const own = uncoded(issue.message)
  if (own) return own
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined && /received undefined/.test(issue.message)
        ? say('document.missing')
        : say('document.type', { expected: issue.expected })
    case 'too_small':
      return typed(issue.origin)
        ? say('document.shortest', { least: { shown: String(issue.minimum) } })
        : say('document.least', { least: { shown: String(issue.minimum) } })
    case 'too_big':
      return typed(issue.origin)
        ? say('document.longest', { most: { shown: String(issue.maximum) } })
        : say('document.most', { most: { shown: String(issue.maximum) } })
    case 'unrecognized_keys':
      return say('document.unknown', { keys: issue.keys })
    case 'invalid_value':
      return say('document.options', { options: issue.values.map(String) })
    case 'invalid_format':
      return say('document.format')
    default:
      return say('document.other', { words: issue.message })
  }
}

const typed = (origin: string): boolean => ['string', 'array', 'set', 'map', 'file'].includes(origin)
