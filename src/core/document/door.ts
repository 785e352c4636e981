import type { z } from 'zod'
import { say } from './phrases'
import { problemsOf, type Read } from './problem'

export type Stored = Readonly<Record<string, unknown>>

/**
 * The way in for documents of one kind that are stored: each carries its version as `v`, older ones are lifted a
 * version at a time, and what then does not fit is a list of problems. Nothing that is read is taken on trust.
 */
export interface Door<T> {
  readonly version: number
  /** Never throws. */
  readonly read: (input: unknown) => Read<T>
  /** The document as it is stored, with its version. */
  readonly write: (value: T) => unknown
}

/**
 * @param name of the kind of document, for `where` in problems
 * @param upgrades `upgrades[n]` turns version n into n + 1; written once and never changed. What carries no version is of
 *   version 1; a bare list of that time comes as `{ list }`.
 */
export function door<T extends object>(
  name: string,
  version: number,
  schema: z.ZodType<T>,
  upgrades: Readonly<Record<number, (document: Stored) => Stored>> = {},
): Door<T> {
  return {
    version,
    read: (input) => {
      let document: unknown = Array.isArray(input) ? { list: input as unknown[] } : input
      if (isStored(document)) {
        const { v, ...rest } = document
        let at = typeof v === 'number' ? v : 1
        let lifted: Stored = rest
        if (at > version)
          return { ok: false, problems: [{ where: name, ...say('newer', { version: at, most: version }) }] }
        for (; at < version; at++) lifted = upgrades[at]?.(lifted) ?? lifted
        document = lifted
      }
      const read = schema.safeParse(document)
      return read.success
        ? { ok: true, value: read.data }
        : { ok: false, problems: problemsOf(read.error, [name]) }
    },
    write: (value) => ({ v: version, ...value }),
  }
}

const isStored = (input: unknown): input is Stored =>
  typeof input === 'object' && input !== null && !Array.isArray(input)
