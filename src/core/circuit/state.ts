import { z } from 'zod'

/** A circuit state is data that the instructor names: controls, and what is taken out. */
export const stateSchema = z.strictObject({
  id: z.string().min(1).max(40),
  name: z.string().min(1, 'A state needs a name').max(80),
  /** Part id → position of its control. A control not named rests. */
  controls: z.record(z.string(), z.string()).default({}),
  /** Ids of parts that are unplugged, pulled or lifted. */
  detached: z.array(z.string()).default([]),
})
export type CircuitState = z.infer<typeof stateSchema>
