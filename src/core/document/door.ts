import type { z } from 'zod'
import { say } from './message'
import { problemsOf, type Read } from './problem'

export type Stored = Readonly<Record<string, unknown>>

/** `upgrades[n]` turns a document of version n into one of version n + 1. */
export type Upgrades = Readonly<Record<number, (document: Stored) => Stored>>

/**
 * Says where the way from version 1 to the newest has a gap: such a program does not start.
 * @param version the newest, from 1
 * @throws Error naming the kind of document and the version
 */
export function checkUpgrades(name: string, version: number, upgrades: Upgrades): void {
  for (let n = 1; n < version; n++)
    if (!upgrades[n]) throw new Error(`${name}: no upgrade from version ${n} to ${n + 1}`)
  for (const n of Object.keys(upgrades))
    if (Number(n) >= version)
      throw new Error(`${name}: an upgrade from version ${n}, but the newest is ${version}`)
}

/**
 * A document of one version as a later one has it.
 * @param from version that it has
 * @param to version that it gets
 */
export function lift(document: Stored, from: number, to: number, upgrades: Upgrades): Stored {
  let lifted = document
  for (let n = from; n < to; n++) lifted = upgrades[n]!(lifted)
  return lifted
}

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
 * The way in for stored documents of one kind.
 * @param name of the kind of document, for `where` in problems
 * @param upgrades `upgrades[n]` turns version n into n + 1; written once and never changed. What carries no version is of
 *   version 1; a bare list of that time comes as `{ list }`.
 * @param version the newest, from 1
 * @throws Error where an upgrade is missing between version 1 and the newest, or leads beyond it
 */
export function door<T extends object>(
  name: string,
  version: number,
  schema: z.ZodType<T>,
  upgrades: Upgrades,
): Door<T> {
  checkUpgrades(name, version, upgrades)
  return {
    version,
    read: (input) => {
      let document: unknown = Array.isArray(input) ? { list: input as unknown[] } : input
      if (isStored(document)) {
        const { v, ...rest } = document
        const from = v === undefined ? 1 : v
        if (!isVersion(from))
          return { ok: false, problems: [{ where: name, ...say('document.noVersion', { most: version }) }] }
        if (from > version)
          return {
            ok: false,
            problems: [{ where: name, ...say('document.newer', { version: from, most: version }) }],
          }
        document = lift(rest, from, version, upgrades)
      }
      const read = schema.safeParse(document)
      return read.success
        ? { ok: true, value: read.data }
        : { ok: false, problems: problemsOf(read.error, [name]) }
    },
    write: (value) => ({ v: version, ...value }),
  }
}

const isVersion = (v: unknown): v is number => typeof v === 'number' && Number.isInteger(v) && v >= 1

const isStored = (input: unknown): input is Stored =>
  typeof input === 'object' && input !== null && !Array.isArray(input)
