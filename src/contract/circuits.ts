import { z } from 'zod'
import { circuitSchema } from '../core/circuit'
import { editSchema } from '../core/editing'
import { coded, door, messageSchema, say } from '../core/document'
import { faultSchema } from '../core/faults'

export const plantSchema = z.strictObject({
  faults: z.array(faultSchema).max(4),
  state: z.string().max(40),
  /** Id of the limit set that counts. */
  limits: z.string().max(60),
  complaint: z.string().max(1000),
})
export type Plant = z.infer<typeof plantSchema>

/** The way in for stored plants and fault sets: version 1 called the limit set a school. */
export const plantDoor = door<Plant>('plant', 2, plantSchema, {
  1: ({ school, ...plant }) => ({ ...plant, limits: school ?? '' }),
})

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
export const editRequestSchema = z.object({
  revision: z.int32(),
  edit: editSchema,
  /** Made by the page for this edit: sent again after a lost answer, it is made once. */
  key: z.uuid().optional(),
})
/** Undo and redo: the key as for an edit. */
export const historyStepSchema = z.object({ key: z.uuid().optional() })

/** Where a circuit stands in the library. */
export const shelfSchema = z.object({
  folder: z.string().trim().max(80),
  tags: z.array(z.string().trim().min(1).max(30)).max(12),
})
export type Shelf = z.infer<typeof shelfSchema>

export const nameSchema = z.object({
  name: z
    .string()
    .trim()
    .min(1, coded(say('school.giveName')))
    .max(120),
})

export const versionListSchema = z.array(z.object({ id: z.uuid(), name: z.string(), created: z.string() }))
export type VersionList = z.infer<typeof versionListSchema>

/** What was done to a circuit, newest first. */
export const historySchema = z.array(z.object({ what: messageSchema, undone: z.boolean() }))

export const newFaultSetSchema = z.object({ name: nameSchema.shape.name, plant: plantSchema })
export const faultSetsSchema = z.array(z.object({ id: z.uuid(), name: z.string(), plant: plantSchema }))
export type FaultSets = z.infer<typeof faultSetsSchema>
