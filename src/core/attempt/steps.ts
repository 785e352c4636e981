import { z } from 'zod'
import { liftControls, terminalRef } from '../circuit'
import { door, messageSchema, type Message, type Stored } from '../document'
import { faultSchema } from '../faults'
import { heldSchema, instrumentKey, settingsSchema } from '../instruments'
import { units } from '../quantity'
import { liftHint } from './lift-hint'
import { repairKeys } from './repairs'

const partName = z.string().max(12)
const pieceName = z.string().max(40)
/** More pieces than any circuit that a student gets. */
const mostPieces = 600

/** What the student did with the circuit: controls, what is taken out, what is joined. */
export const arrangementSchema = z.strictObject({
  controls: z.record(partName, z.string().max(30)),
  detached: z.array(partName).max(200),
  /** Pairs of terminals that a fused jumper is left on. */
  bypassed: z
    .array(z.tuple([terminalRef, terminalRef]))
    .max(8)
    .optional(),
  /** Like parts that have changed places, and parts in whose place the spare of the box stands. */
  swapped: z
    .array(z.tuple([partName, partName]))
    .max(8)
    .optional(),
  spares: z.array(partName).max(20).optional(),
  /** What was moved by hand while looking or measuring, and the rest of a state that is not the usual. */
  wiggled: z.array(partName).max(300).optional(),
  engine: z.enum(['off', 'running']).optional(),
  sinceKeyOff: z.number().min(0).max(1e6).optional(),
})
export type Arrangement = z.infer<typeof arrangementSchema>

export const predictionSchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('value'), value: z.number() }),
  z.strictObject({ type: z.literal('OL') }),
  z.strictObject({ type: z.literal('beep') }),
  /** What is told in a word: bright, dim, dark. */
  z.strictObject({ type: z.literal('word'), word: z.string().max(20) }),
])
export type Prediction = z.infer<typeof predictionSchema>

/** Where a reading comes from: the model, typed from a real board, a connected meter. */
export const sourceSchema = z.enum(['model', 'typed', 'meter'])
export type Source = z.infer<typeof sourceSchema>

export const readingSchema = z.strictObject({
  value: z.number().optional(),
  unit: z.enum(units),
  text: z.string().max(40),
  word: z.string().max(20).optional(),
  signs: z.array(messageSchema).max(20),
})
export type StoredReading = z.infer<typeof readingSchema>

/** What a step did to the bench that its student may not know: kept with it, and never sent to a student. */
export const effectsSchema = z.strictObject({
  blown: z.array(partName).max(100).default([]),
  meterFuse: z.enum(['A', 'mA']).optional(),
  /** What had switched by itself and holds: part → mode. */
  latched: z.record(partName, z.string().max(60)).optional(),
  cured: z.boolean().optional(),
})
const did = effectsSchema.optional()

/** An instrument as it is set and held. */
export const connectedSchema = z.strictObject({
  instrument: instrumentKey,
  settings: settingsSchema,
  held: heldSchema,
})
export type Connection = z.infer<typeof connectedSchema>

export const operateStep = z.strictObject({
  type: z.literal('operate'),
  arrangement: arrangementSchema,
  /** What was left connected meanwhile: a jumper changes what is seen. */
  also: z.array(connectedSchema).max(3).optional(),
  /** What each of these showed meanwhile. */
  shows: z.array(readingSchema).max(3).optional(),
  /** What was seen and heard: part → key of its notice. */
  seen: z.record(partName, z.string().max(40)),
  says: z.enum(['asComplained', 'notReproduced']).optional(),
  did,
})

export const testStep = z.strictObject({
  type: z.literal('test'),
  arrangement: arrangementSchema,
  ...connectedSchema.shape,
  /** What else is connected meanwhile: a lamp in place of the fuse while a clamp reads. */
  also: z.array(connectedSchema).max(3).default([]),
  /** What a good circuit would show; and, if the student likes, what it would show with the suspect piece at fault. */
  prediction: predictionSchema,
  suspected: predictionSchema.optional(),
  reading: readingSchema,
  source: sourceSchema.default('model'),
  /** What was asked about a typed reading, what had been typed first, and whether it was put right. */
  asked: z
    .strictObject({
      about: messageSchema,
      first: z.string().max(40),
      answer: z.enum(['stands', 'corrected']),
    })
    .optional(),
  did,
})

export const inferStep = z.strictObject({
  type: z.literal('infer'),
  /** All pieces struck out and ringed after this reading, not only the new ones. */
  struck: z.array(pieceName).max(mostPieces),
  ringed: z.array(pieceName).max(mostPieces),
  note: z.string().max(500).default(''),
})

/** Names, as piece and as kind, that nothing is wrong: a false alarm, or a cause that is not electrical. */
export const soundCircuit = 'sound'

export const concludeStep = z.strictObject({
  type: z.literal('conclude'),
  piece: pieceName,
  kind: faultSchema.shape.kind.or(z.literal(soundCircuit)),
  /** How sure, per cent. */
  sure: z.number().min(0).max(100),
  note: z.string().max(500).default(''),
})

export const repairStep = z.strictObject({
  type: z.literal('repair'),
  piece: pieceName,
  by: z.enum(repairKeys),
  did,
})

/** A fuse that the student's own test blew is renewed: of the circuit by its id, of the meter by its jack. */
export const renewStep = z.strictObject({
  type: z.literal('renew'),
  fuse: z.string().max(12),
})

export const hintLevels = ['where', 'side', 'test'] as const
export type HintLevel = (typeof hintLevels)[number]

/** A hint that was asked for, and what it said. */
export const hintStep = z.strictObject({
  type: z.literal('hint'),
  level: z.enum(hintLevels),
  says: messageSchema,
})

/** A reading that was typed and asked about before it was taken down: what was typed, of what, and what was asked. */
export const questionStep = z.strictObject({
  type: z.literal('question'),
  arrangement: arrangementSchema,
  ...connectedSchema.shape,
  typed: z.string().max(40),
  about: messageSchema,
})

/** One acknowledged thing that a student did. An attempt is a list of these, in order. */
export const stepSchema = z.discriminatedUnion('type', [
  operateStep,
  testStep,
  inferStep,
  concludeStep,
  repairStep,
  renewStep,
  hintStep,
  questionStep,
])
export type Step = z.infer<typeof stepSchema>
export type StepOf<T extends Step['type']> = Extract<Step, { type: T }>

/** More steps than an attempt needs; a list without end would hold up everybody. */
export const mostSteps = 400

/**
 * The way in for stored steps. Version 1 knew a meter of three functions, and parts where there are pieces now; version 2
 * named instruments in English in its hints.
 */
export const stepDoor = door<Step>('step', 3, stepSchema, { 1: liftStep, 2: liftHint })

function liftStep(step: Stored): Stored {
  switch (step.type) {
    case 'operate':
      return { ...step, arrangement: liftArrangement(step.arrangement), seen: keysOf(step.seen) }
    case 'test': {
      const { function: instrument, red, black, reading, arrangement, ...rest } = step
      return {
        ...rest,
        arrangement: liftArrangement(arrangement),
        instrument,
        settings: {},
        held: { type: 'leads', red, black },
        reading: liftReading(reading),
      }
    }
    case 'infer': {
      const { cleared, suspect, ...rest } = step
      return { ...rest, struck: cleared, ringed: suspect }
    }
    case 'conclude': {
      const { part, ...rest } = step
      return { ...rest, piece: part }
    }
    default:
      return step
  }
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

const liftArrangement = (value: unknown): unknown =>
  isRecord(value) ? { ...value, controls: liftControls(value.controls) } : value

/** `{ L1: { key, text } }` of version 1 as `{ L1: key }`. */
const keysOf = (seen: unknown): unknown =>
  isRecord(seen)
    ? Object.fromEntries(
        Object.entries(seen).map(([id, notice]) => [id, isRecord(notice) ? notice.key : notice]),
      )
    : seen

function liftReading(reading: unknown): unknown {
  if (!isRecord(reading)) return reading
  const { beeps, live, ...rest } = without(reading, 'function')
  const signs: Message[] = [
    ...(beeps === true ? [{ code: 'instruments.beeps' }] : []),
    ...(live === true ? [{ code: 'instruments.live' }] : []),
  ]
  return { ...rest, signs }
}

const without = (record: Record<string, unknown>, name: string): Record<string, unknown> =>
  Object.fromEntries(Object.entries(record).filter(([key]) => key !== name))

/** The step as its student gets it: without what it did to the bench unseen. */
export function asSeen(step: Step): Step {
  if (!('did' in step)) return step
  const seen = { ...step }
  delete seen.did
  return seen
}

/** A sign of a reading by its code, such as `live`. */
export const hasSign = ({ signs }: Pick<StoredReading, 'signs'>, key: string): boolean =>
  signs.some(({ code }) => code === `instruments.${key}`)
