import { z } from 'zod'
import { coded, messageSchema } from '../core/document'
import { instrumentKey, settingsSchema, heldSchema } from '../core/instruments'
import { arrangementSchema, readingSchema } from '../core/attempt'
import { say } from './phrases'

/** A meter that can be read over the network: what an instructor sets. */
export const newMeterSchema = z.strictObject({
  name: z
    .string()
    .trim()
    .min(2, coded(say('giveName')))
    .max(60),
  host: z.string().trim().max(60),
  port: z.number().int().min(1).max(65535),
})
export type NewMeter = z.infer<typeof newMeterSchema>
export const metersSchema = z.array(newMeterSchema.extend({ id: z.uuid() }))
export type Meters = z.infer<typeof metersSchema>

/** What the student holds where: a stand-in is told, a real meter is held there by hand. */
export const readMeterSchema = z.strictObject({
  arrangement: arrangementSchema,
  instrument: instrumentKey,
  settings: settingsSchema,
  held: heldSchema,
})
export type ReadMeter = z.infer<typeof readMeterSchema>

/** What the meter sent, or why it did not. */
export const meterAnswerSchema = z.union([
  z.object({ reading: readingSchema }),
  z.object({ trouble: messageSchema }),
])
export type MeterAnswer = z.infer<typeof meterAnswerSchema>

/** Who answers at the address, for whoever sets a meter up. */
export const meterCheckSchema = z.union([
  z.object({ name: z.string() }),
  z.object({ trouble: messageSchema }),
])
