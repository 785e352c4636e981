import { z } from 'zod'
import { faultSchema } from '../faults'

/** What the student did with the circuit: controls and what is taken out. */
export const arrangementSchema = z.strictObject({
  controls: z.record(z.string(), z.string()),
  detached: z.array(z.string()),
  /** What was moved by hand while looking or measuring, and the rest of a state that is not the usual. */
  wiggled: z.array(z.string()).optional(),
  engine: z.enum(['off', 'running']).optional(),
  sinceKeyOff: z.number().min(0).max(1e6).optional(),
})
export type Arrangement = z.infer<typeof arrangementSchema>

export const predictionSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('value'), value: z.number() }),
  z.strictObject({ type: z.literal('OL') }),
  z.strictObject({ type: z.literal('beep') }),
])
export type Prediction = z.infer<typeof predictionSchema>

export const readingSchema = z.object({
  function: z.enum(['volts', 'ohms', 'continuity']),
  value: z.number().optional(),
  unit: z.enum(['V', 'Ω']),
  text: z.string(),
  beeps: z.boolean(),
  /** Volts stood where the meter sends its own current: it shows a number and says that it means nothing. */
  live: z.boolean().default(false),
})

export const operateStep = z.object({
  type: z.literal('operate'),
  arrangement: arrangementSchema,
  seen: z.record(z.string(), z.object({ key: z.string(), text: z.string() })),
})

export const testStep = z.object({
  type: z.literal('test'),
  arrangement: arrangementSchema,
  function: z.enum(['volts', 'ohms', 'continuity']),
  /** Short names of points. */
  red: z.string(),
  black: z.string(),
  prediction: predictionSchema,
  reading: readingSchema,
})

export const inferStep = z.object({
  type: z.literal('infer'),
  /** All parts struck out and ringed after this reading, not only the new ones. */
  cleared: z.array(z.string()),
  suspect: z.array(z.string()),
  note: z.string().max(500).default(''),
})

export const concludeStep = z.object({
  type: z.literal('conclude'),
  part: z.string(),
  kind: faultSchema.shape.kind,
  /** How sure, per cent. */
  sure: z.number().min(0).max(100),
  note: z.string().max(500).default(''),
})

/** One acknowledged thing that a student did. An attempt is a list of these, in order. */
export const stepSchema = z.discriminatedUnion('type', [operateStep, testStep, inferStep, concludeStep])
export type Step = z.infer<typeof stepSchema>
export type StepOf<T extends Step['type']> = Extract<Step, { type: T }>
