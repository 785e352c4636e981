import { z } from 'zod'
import { isPartKind, partKinds } from '../parts'
import { stateSchema } from './state'

export const circuitFormat = 'brachyon-circuit'
export const circuitVersion = 1

const partId = z
  .string()
  .regex(
    /^[A-Z]{1,3}[0-9]{1,3}$/,
    'A part’s id is one to three capital letters and a number, such as F1 or ST2',
  )

export const partSchema = z.strictObject({
  id: partId,
  kind: z.string().refine(isPartKind, { error: `Unknown kind of part. Known are: ${partKinds.join(', ')}` }),
  /** What it is called on the vehicle: “work lamp”. */
  name: z.string().max(80).default(''),
  parameters: z.record(z.string(), z.unknown()).default({}),
})

/** One part passed on the way from supply to return. */
export const stepSchema = z.strictObject({
  part: partId,
  enter: z.string().optional(),
  leave: z.string().optional(),
})

/** `part.terminal`, such as `B1.p`. */
const terminalRef = z
  .string()
  .regex(/^[A-Z]{1,3}[0-9]{1,3}\.[a-z0-9]+$/i, 'A terminal is written part.terminal, such as B1.p')

export const pathSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().max(80).default(''),
  from: terminalRef,
  to: terminalRef,
  steps: z.array(stepSchema).min(1, 'A path has at least one part').max(500),
})

export const circuitSchema = z.strictObject({
  format: z.literal(circuitFormat, { error: `format must be “${circuitFormat}”` }),
  version: z.literal(circuitVersion, { error: `version must be ${circuitVersion}` }),
  name: z.string().min(1, 'A circuit needs a name').max(120),
  vehicle: z.string().max(120).default(''),
  note: z.string().max(2000).default(''),
  /** °C */
  temperature: z.number().min(-40, 'Between −40 and 85 °C').max(85, 'Between −40 and 85 °C').default(20),
  parts: z.array(partSchema).min(1, 'A circuit has at least one part').max(2000),
  paths: z.array(pathSchema).min(1, 'A circuit has at least one path').max(400),
  states: z.array(stateSchema).min(1, 'A circuit has at least one state').max(60),
})

export type Circuit = z.infer<typeof circuitSchema>
export type Part = z.infer<typeof partSchema>
export type CircuitPath = z.infer<typeof pathSchema>
