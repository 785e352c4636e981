import { z } from 'zod'
import { arrangementSchema, readingSchema } from '../core/attempt'
import { messageSchema } from '../core/document'
import { heldSchema, instrumentKey, settingsSchema } from '../core/instruments'

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
