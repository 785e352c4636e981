import { z } from 'zod'
import type { Code } from '../../messages/codes'

export type { Code } from '../../messages/codes'

/** A value that is written as the trade writes it, wherever it is shown. */
export interface Measure {
  readonly value: number
  readonly unit: string
}

/** Figures as a display or a table has them: only their decimal sign depends on the language. */
export interface Shown {
  readonly shown: string
}

/** A title within a sentence: it begins small where the language writes it so. */
export interface Within {
  readonly within: Message
}

/** A string is somebody’s own words or a name, and stays as it is; what is said by a code comes as a message. */
export type Param = string | number | Measure | readonly (string | Message)[] | Message | Shown | Within

/**
 * Something to be said: a code, and what fills it. The sentence is made where it is shown (`words/`), in the language
 * of whoever reads it; what is stored and what crosses the wire is this.
 */
export interface Message {
  readonly code: string
  readonly params?: Readonly<Record<string, Param>> | undefined
}

/** What is said: a code alone, or with what fills it. */
export type Words = Code | Message

/**
 * The message of a code; its ICU text stands in `messages/`, in every language.
 * @example say('circuit.noPart', { id: 'F1' })
 */
export const say = <P extends NonNullable<Message['params']>>(
  code: Code,
  params?: P & NoCodes<P>,
): Message => (params ? { code, params } : { code })

/** A bare code among the parameters would be taken for somebody’s own words: `messageOf` makes a message of it. */
export type NoCodes<P> = {
  readonly [K in keyof P]: Extract<P[K] extends readonly (infer E)[] ? E : P[K], Code> extends never
    ? unknown
    : never
}

/** A code or a message as a parameter of another message: a bare string there would be somebody’s own words. */
export const messageOf = (words: Words): Message => (typeof words === 'string' ? { code: words } : words)

/** A title within a sentence: small where the language writes it so. */
export const within = (words: Words): Within => ({ within: messageOf(words) })

/** Somebody’s own words, or a name, as a message. */
export const verbatim = (text: string): Message => say('document.verbatim', { text })

/** Figures that are all there is to say: `12 V 21 W`. */
export const figures = (text: string): Message => say('document.figures', { text: { shown: text } })

/** Whether a value has a message's shape. */
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

/** Messages for a column of text. */
export const writeWords = (words: readonly Message[]): string => JSON.stringify(words)

/** The messages in a column of text; what was written there as prose is somebody’s own words. */
export function readWords(text: string): readonly Message[] {
  let written: unknown
  try {
    written = JSON.parse(text)
  } catch {
    return [verbatim(text)]
  }
  const read = z.array(messageSchema).safeParse(written)
  return read.success ? read.data : [verbatim(text)]
}

const paramSchema: z.ZodType<Param> = z.lazy(() =>
  z.union([
    z.string().max(2000),
    z.number(),
    z.strictObject({ value: z.number(), unit: z.string().max(8) }),
    z.strictObject({ shown: z.string().max(200) }),
    z.strictObject({ within: messageSchema }),
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
