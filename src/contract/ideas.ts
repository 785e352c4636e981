import { z } from 'zod'

/** A wrong idea of one student, with the occasions that it rests on. */
export const heldSchema = z.object({
  misbelief: z.string(),
  probability: z.number(),
  shown: z.number().int(),
  occasions: z.number().int(),
  named: z.boolean(),
  /** The kind of drill in which it can be unlearned, and the rule whose example answers it. */
  drill: z.string(),
  rule: z.string().nullable(),
  /** The newest attempt in which it showed. */
  order: z.uuid().nullable(),
})
export const heldListSchema = z.array(heldSchema)
export type Held = z.infer<typeof heldSchema>

/** What a class holds: what to teach again. */
export const reteachSchema = z.array(
  z.object({
    misbelief: z.string(),
    drill: z.string(),
    rule: z.string().nullable(),
    /** Students of whom it is named, by name. */
    students: z.array(z.object({ id: z.uuid(), name: z.string(), probability: z.number() })),
    /** Sum of all probabilities: how many hold it, as far as anybody knows. */
    expected: z.number(),
    /** A lesson in whose sets it can show, where there is one. */
    lesson: z.object({ id: z.uuid(), name: z.string() }).nullable(),
  }),
)
export type Reteach = z.infer<typeof reteachSchema>

/** What of a finished attempt speaks for a wrong idea: one that explains several wrong verdicts at once. */
export const attemptIdeasSchema = z.array(
  z.object({
    misbelief: z.string(),
    shown: z.number().int(),
    occasions: z.number().int(),
    step: z.number().int().nullable(),
    drill: z.string(),
    rule: z.string().nullable(),
  }),
)
export type AttemptIdeas = z.infer<typeof attemptIdeasSchema>
