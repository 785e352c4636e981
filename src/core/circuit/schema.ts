import { coded, say } from '../document'
import { z } from 'zod'
import { accesses, isPartKind, partKinds } from '../parts'
import { stateSchema, terminalRef } from './state'

export const circuitFormat = 'brachyon-circuit'
export const circuitVersion = 3

const partId = z.string().regex(/^[A-Z]{1,3}[0-9]{1,3}$/, coded(say('circuit.partId')))

export const partSchema = z.strictObject({
  id: partId,
  kind: z.string().refine(isPartKind, { error: coded(say('circuit.unknownKind', { kinds: partKinds })) }),
  /** What it is called on the vehicle: “work lamp”. */
  name: z.string().max(80).default(''),
  parameters: z.record(z.string(), z.unknown()).default({}),
  /** How hard it is to reach, where that is not what its kind usually is. */
  access: z.enum(accesses).optional(),
})

/** One part passed on the way from supply to return. */
export const stepSchema = z.strictObject({
  part: partId,
  enter: z.string().optional(),
  leave: z.string().optional(),
})

export const pathSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().max(80).default(''),
  from: terminalRef,
  to: terminalRef,
  /** None: a path that is still to be built, which joins nothing. */
  steps: z.array(stepSchema).max(500),
})

/** A place along a bundle where a clamp fits round it, and what runs through there. */
export const placeSchema = z.strictObject({
  id: z.string().regex(/^H[0-9]{1,3}[a-z]$/, coded(say('circuit.placeId'))),
  name: z.string().max(80).default(''),
  conductors: z
    .array(
      z.strictObject({
        part: partId,
        /** How far along the conductor, from its supply end: 0 to 1. */
        at: z.number().min(0).max(1).default(0.5),
        /** The conductor runs against the arrow that is marked at the place. */
        against: z.boolean().default(false),
      }),
    )
    .min(1, coded(say('circuit.needsConductor')))
    .max(60),
})

export const bundleSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().max(80).default(''),
  /** In the order in which a hand meets them, from the supply outward. */
  places: z
    .array(placeSchema)
    .min(1, coded(say('circuit.needsPlace')))
    .max(40),
})

/** What kind of circuit it is: how much it may lose on the way follows. */
export const duties = ['light', 'motor', 'heavy', 'electronic'] as const
export type Duty = (typeof duties)[number]

/**
 * How far boards of one drawing lie apart. A school's batteries rest anywhere from 12.4 to 12.8 V, and contacts scatter by
 * half; a board that was measured has its own, narrower (common practice, no source).
 */
export const scatterSchema = z.strictObject({
  /** Of every contact's ohms, ±, as a share. */
  contacts: z
    .number()
    .min(0.02, coded(say('circuit.scatter')))
    .max(3, coded(say('circuit.scatter')))
    .default(0.5),
  /** V, ±, of one rested 12 V block. */
  rest: z
    .number()
    .min(0.01, coded(say('circuit.scatter')))
    .max(1, coded(say('circuit.scatter')))
    .default(0.2),
})
export type Scatter = z.infer<typeof scatterSchema>
export const schoolScatter: Scatter = { contacts: 0.5, rest: 0.2 }
/** Of a board whose readings the model was fitted to: a meter's accuracy, and from one day to the next. */
export const measuredScatter: Scatter = { contacts: 0.2, rest: 0.1 }

const warmth = coded(say('circuit.temperature', { least: '−40', most: 85 }))

export const circuitSchema = z.strictObject({
  format: z.literal(circuitFormat, { error: coded(say('circuit.format', { format: circuitFormat })) }),
  version: z.literal(circuitVersion, { error: coded(say('circuit.version', { version: circuitVersion })) }),
  name: z
    .string()
    .min(1, coded(say('circuit.needsName')))
    .max(120),
  vehicle: z.string().max(120).default(''),
  note: z.string().max(2000).default(''),
  /** Where it is not said, it follows from what is built in. */
  duty: z.enum(duties).optional(),
  /** Where it is not said, as a school's. */
  scatter: scatterSchema.optional(),
  /** °C */
  temperature: z.number().min(-40, warmth).max(85, warmth).default(20),
  parts: z
    .array(partSchema)
    .min(1, coded(say('circuit.needsPart')))
    .max(2000),
  paths: z
    .array(pathSchema)
    .min(1, coded(say('circuit.needsPath')))
    .max(400),
  bundles: z.array(bundleSchema).max(60).default([]),
  states: z
    .array(stateSchema)
    .min(1, coded(say('circuit.needsState')))
    .max(60),
})

export type Circuit = z.infer<typeof circuitSchema>
export type Bundle = z.infer<typeof bundleSchema>
export type Place = z.infer<typeof placeSchema>
export type Part = z.infer<typeof partSchema>
export type CircuitPath = z.infer<typeof pathSchema>
