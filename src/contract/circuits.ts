import { z } from 'zod'
import { circuitSchema, editSchema } from '../core/circuit'
import { faultSchema } from '../core/faults'

export const circuitListSchema = z.array(
  z.object({ id: z.uuid(), name: z.string(), vehicle: z.string(), parts: z.number(), updated: z.string() }),
)
export type CircuitList = z.infer<typeof circuitListSchema>

export const plantSchema = z.object({
  faults: z.array(faultSchema).max(4),
  state: z.string(),
  school: z.string(),
  complaint: z.string().max(1000),
})
export type Plant = z.infer<typeof plantSchema>

export const storedCircuitSchema = z.object({
  id: z.uuid(),
  revision: z.number().int(),
  circuit: circuitSchema,
  undo: z.boolean(),
  redo: z.boolean(),
  plant: plantSchema.nullable(),
})
export type StoredCircuit = z.infer<typeof storedCircuitSchema>

/** An edit is made on the revision that the person saw. */
export const editRequestSchema = z.object({ revision: z.number().int(), edit: editSchema })
