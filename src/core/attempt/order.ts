import { z } from 'zod'
import type { Circuit } from '../circuit'
import { door } from '../document'
import { families, faultSchema, type Fault } from '../faults'
import {
  instrumentKey,
  instrumentKeys,
  leafletSchema,
  meterOfLeaflet,
  workshopMeter,
  type MeterType,
} from '../instruments'
import { handbookModes, orderModes } from './modes'
import { arrangementSchema, sourceSchema } from './steps'

const familyKeys = Object.keys(families) as [keyof typeof families, ...(keyof typeof families)[]]

const price = z.number().min(0).max(100)
/** What hints cost where nothing else is said. */
export const usualHints = { where: 1, side: 2, test: 4 } as const

/** What a work order fixes when it is handed out. */
export const frameSchema = z.strictObject({
  /** How many faults there may be; the student is told. */
  faults: z.union([z.literal(1), z.literal(2)]).default(1),
  /** Families of fault in play, all unless the lesson narrows them; the student is told. */
  families: z.array(z.enum(familyKeys)).max(familyKeys.length).default([]),
  /** Instruments in the bag. */
  bag: z
    .array(instrumentKey)
    .min(1)
    .default([...instrumentKeys]),
  /** The meter by its leaflet, the workshop's where none is said. */
  meter: leafletSchema.nullable().default(null),
  /** Which limit set counts. */
  limits: z.string().max(60).default(''),
  mode: z.enum(orderModes).default('test'),
  /** How much of the Handbook is open meanwhile; of an examination. */
  handbook: z.enum(handbookModes).default('open'),
  source: sourceSchema.default('model'),
  /** Points off the choice of tests that each kind of hint costs; null: none are given. */
  hints: z.strictObject({ where: price, side: price, test: price }).nullable().default(null),
  /** Key of a procedure of the handbook whose steps, not its answers, stand beside the work; none: ''. */
  procedure: z.string().max(40).default(''),
  /** Minutes of real time that the student has; null: as long as it takes. */
  limit: z.number().min(1).max(600).nullable().default(null),
  /** The complaint as facts: in this state, this part shows this; a battery that is left so is flat after hours. */
  complaint: z
    .array(
      z.strictObject({
        arrangement: arrangementSchema,
        part: z.string().max(12),
        notice: z.string().max(40),
        /** Until the battery is flat. */
        hours: z.number().min(0.01).max(10_000).optional(),
      }),
    )
    .max(12)
    .default([]),
})
export type Frame = z.infer<typeof frameSchema>
/** One fact of a complaint. */
export type Claim = Frame['complaint'][number]

/** A work order of before version 2 had no frame: three functions of the meter, one fault, a test. */
const firstFrame = { bag: ['volts', 'ohms', 'continuity'] }
export const frameDoor = door<Frame>('frame', 2, frameSchema, { 1: () => firstFrame })
/** What is given with an order unless its instructor chooses. */
export const defaultFrame = (): Frame => frameSchema.parse({})

/** What is planted, as it is stored with an order: a bare list in version 1. */
export const plantedDoor = door<{ list: Fault[]; spares?: Fault[] | undefined }>(
  'planted',
  2,
  z.strictObject({ list: z.array(faultSchema).max(4), spares: z.array(faultSchema).max(4).optional() }),
  // The list is put under its name before any upgrade.
  { 1: (planted) => planted },
)

/** A work order as core knows it. */
export interface Order {
  readonly circuit: Circuit
  readonly planted: readonly Fault[]
  readonly frame: Frame
  /** What is wrong with spares of the box, each by the part in whose place it goes; none unless said. */
  readonly spares?: readonly Fault[]
}

/** The meter that an order gives its student. */
export const meterOfFrame = ({ meter }: Pick<Frame, 'meter'>): MeterType =>
  meter ? meterOfLeaflet(meter) : workshopMeter
