import { z } from 'zod'

/**
 * One thing that a class is asked in a demonstration: volts at a point (battery − is zero), how bright a lamp is, which
 * piece is at fault, or a question with answers to choose from.
 */
export const askSchema = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('volts'),
    state: z.string().max(40),
    path: z.string().max(40),
    point: z.string().max(120),
  }),
  z.strictObject({ type: z.literal('light'), state: z.string().max(40), part: z.string().max(10) }),
  z.strictObject({ type: z.literal('piece'), state: z.string().max(40) }),
  z.strictObject({ type: z.literal('quiz'), state: z.string().max(40), key: z.string().max(160) }),
])
export type Ask = z.infer<typeof askSchema>

/** The steps of a demonstration, in the order in which they are asked. */
export const scriptSchema = z.array(askSchema).max(80)
export type Script = z.infer<typeof scriptSchema>
