import { z } from 'zod'

/** What somebody was set to do alone, and what they can: light, for Today shows it. */
export const drillSetSchema = z.object({
  id: z.uuid(),
  name: z.string(),
  class: z.string(),
  kinds: z.array(z.string()),
  items: z.number().int(),
  due: z.string(),
  /** How many of its items the asking student has answered. */
  done: z.number().int(),
})
export const drillsSchema = z.object({
  levels: z.array(
    z.object({
      kind: z.string(),
      level: z.number(),
      spread: z.number(),
      ability: z.number(),
      answers: z.number().int(),
    }),
  ),
  /** Answered today. */
  today: z.number().int(),
  sets: z.array(drillSetSchema),
})
export type Drills = z.infer<typeof drillsSchema>
export type DrillSet = z.infer<typeof drillSetSchema>
