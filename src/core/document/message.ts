import { z } from 'zod'

/** A value that is written as the trade writes it, wherever it is shown. */
export interface Measure {
  readonly value: number
  readonly unit: string
}

export type Param = string | number | Measure | readonly (string | Message)[] | Message

/**
 * Something to be said: a code, and what fills it. The sentence is made where it is shown (`words/`), in the language
 * of whoever reads it; what is stored and what crosses the wire is this.
 */
export interface Message {
  readonly code: string
  readonly params?: Readonly<Record<string, Param>> | undefined
}

/** The English of a folder's codes stands beside what it describes: `prefix.key` is the code. */
export interface Phrases<T extends Readonly<Record<string, string>>> {
  /** Makes the message of a key. */
  (key: keyof T & string, params?: Message['params']): Message
  readonly prefix: string
  /** ICU messages by key. */
  readonly english: T
}

/**
 * Phrases of one folder or file, as ICU messages.
 * @example const say = phrases('circuit', { noPart: 'There is no part {id}' }); say('noPart', { id: 'F1' })
 */
export function phrases<const T extends Readonly<Record<string, string>>>(
  prefix: string,
  english: T,
): Phrases<T> {
  const make = (key: keyof T & string, params?: Message['params']): Message =>
    params ? { code: `${prefix}.${key}`, params } : { code: `${prefix}.${key}` }
  return Object.assign(make, { prefix, english })
}

export const isMessage = (value: unknown): value is Message =>
  typeof value === 'object' && value !== null && 'code' in value && typeof value.code === 'string'

/** A schema's message can only be a string: a code with what fills it goes through as one. */
export const coded = (message: Message): string => mark + JSON.stringify(message)
const mark = '\u0001'

/** The message in a schema's string, or undefined where it is plain words of the schema library. */
export function uncoded(text: string): Message | undefined {
  if (!text.startsWith(mark)) return undefined
  const value: unknown = JSON.parse(text.slice(1))
  return isMessage(value) ? value : undefined
}

const paramSchema: z.ZodType<Param> = z.lazy(() =>
  z.union([
    z.string().max(2000),
    z.number(),
    z.strictObject({ value: z.number(), unit: z.string().max(8) }),
    z.array(z.union([z.string().max(200), messageSchema])).max(400),
    messageSchema,
  ]),
)
/** A message as it is stored and crosses the wire. */
export const messageSchema: z.ZodType<Message> = z.lazy(() =>
  z.strictObject({
    code: z.string().max(80),
    params: z.record(z.string().max(40), paramSchema).optional(),
  }),
)

/** The same with where it was found. */
export const problemSchema: z.ZodType<Message & { readonly where: string }> = z.lazy(() =>
  z.strictObject({
    code: z.string().max(80),
    params: z.record(z.string().max(40), paramSchema).optional(),
    where: z.string(),
  }),
)
