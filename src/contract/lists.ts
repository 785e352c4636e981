import { z } from 'zod'
import { orderModes } from '../core/attempt/modes'
import { coded, messageSchema, say } from '../core/document'
import { pageOf, scopeSchema } from './scope'

/** What lists show, and what making something answers with: it is read without the circuit engine. */

/** More circuits than a school has: a list is never longer. */
export const mostCircuits = 1000

export const circuitListSchema = z.array(
  z.object({
    id: z.uuid(),
    name: z.string(),
    vehicle: z.string(),
    parts: z.number(),
    updated: z.string(),
    folder: z.string(),
    tags: z.array(z.string()),
  }),
)
export type CircuitList = z.infer<typeof circuitListSchema>

/** A circuit that comes with the application, to start from. */
export const templateListSchema = z.array(
  z.object({ file: z.string(), name: z.string(), vehicle: z.string(), note: z.string(), parts: z.number() }),
)
export type TemplateList = z.infer<typeof templateListSchema>

/** Of a circuit that was just made: enough to go there. */
export const madeSchema = z.object({ id: z.uuid(), revision: z.number().int() })

/** As the instructor sees a work order. */
export const orderRowSchema = z.object({
  id: z.uuid(),
  circuit: z.string(),
  complaint: z.string(),
  student: z.string(),
  /** Whose desk it is on. */
  studentId: z.uuid(),
  /** When it was handed out; to come where it is early. */
  created: z.string(),
  early: z.boolean(),
  concluded: z.string().nullable(),
  released: z.string().nullable(),
  tests: z.number(),
  /** The mark that counts, of 100; null while it is unfinished or not judged yet. */
  mark: z.number().nullable(),
})
export type OrderRow = z.infer<typeof orderRowSchema>

/** Finished and not given back yet, still at work, given back. */
export const orderStates = ['waiting', 'open', 'given'] as const
export type OrderState = (typeof orderStates)[number]
/** A page of one state, and the moment of which it is. */
export const orderListSchema = pageOf(orderRowSchema).extend({ asOf: z.string() })
export type OrderList = z.infer<typeof orderListSchema>
/** What is given back at once: all finished work of a scope, as it was when its number was shown. */
export const releaseAllSchema = scopeSchema.extend({ asOf: z.iso.datetime({ offset: true }) })

/** A student's own work orders. Nothing here says what was planted. */
export const deskListSchema = pageOf(
  z.object({
    id: z.uuid(),
    circuit: z.string(),
    complaint: z.string(),
    mode: z.enum(orderModes),
    created: z.string(),
    concluded: z.string().nullable(),
    /** When its review was given back; null before. */
    released: z.string().nullable(),
    station: z.string().nullable(),
    round: z.number().nullable(),
    steps: z.number(),
  }),
)
export type DeskList = z.infer<typeof deskListSchema>

/** A meter that can be read over the network: what an instructor sets. */
export const newMeterSchema = z.strictObject({
  name: z
    .string()
    .trim()
    .min(2, coded(say('school.giveName')))
    .max(60),
  host: z.string().trim().max(60),
  port: z.number().int().min(1).max(65535),
})
export type NewMeter = z.infer<typeof newMeterSchema>
export const metersSchema = z.array(newMeterSchema.extend({ id: z.uuid() }))
export type Meters = z.infer<typeof metersSchema>

/** Who answers at the address, for whoever sets a meter up. */
export const meterCheckSchema = z.union([
  z.object({ name: z.string() }),
  z.object({ trouble: messageSchema }),
])
