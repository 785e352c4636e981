import { z } from 'zod'
import { checkComplaint, frameSchema } from '../attempt'
import { circuitSchema } from '../circuit'
import { readCircuit } from '../editing'
import { coded, problemsOf, type Read, say } from '../document'
import { checkFault, faultSchema } from '../faults'
import { scriptSchema } from './script'

export const lessonFormat = 'brachyon-lesson'
export const lessonVersion = 1

/** What may be planted for one student, and what the driver then says; one is drawn, or chosen. */
export const faultSetSchema = z.strictObject({
  name: z.string().trim().min(1).max(80),
  faults: z.array(faultSchema).min(1).max(4),
  /** In the driver's words; drafted from the circuit where it is left out. */
  complaint: z.string().trim().max(1000).default(''),
  /** What the student must reproduce of it, where its author said so; drafted from the circuit where it is left out. */
  facts: frameSchema.shape.complaint.removeDefault().optional(),
})

/** A lesson as one file: everything that an order needs but who works it and when. */
export const lessonSchema = z.strictObject({
  format: z.literal(lessonFormat, { error: coded(say('lab.lessonFormat', { format: lessonFormat })) }),
  version: z.literal(lessonVersion, {
    error: coded(say('lab.lessonVersion', { version: '?', most: lessonVersion })),
  }),
  name: z
    .string()
    .trim()
    .min(1, coded(say('lab.lessonName')))
    .max(120),
  folder: z.string().trim().max(80).default(''),
  /** What it is about, for colleagues. */
  note: z.string().max(2000).default(''),
  circuit: circuitSchema,
  sets: z
    .array(faultSetSchema)
    .min(1, coded(say('lab.lessonSets')))
    .max(40),
  frame: frameSchema.partial().default({}),
  /** What the class is asked when it is shown, in this order. */
  script: scriptSchema.optional(),
})
export type Lesson = z.infer<typeof lessonSchema>

/** The published schema of a lesson (JSON Schema 2020-12). */
export const lessonJsonSchema = (): object => ({
  ...z.toJSONSchema(lessonSchema, { io: 'input', unrepresentable: 'any' }),
  title: 'Brachyon lesson',
  description: 'A circuit, the sets of faults to draw from, what the driver says, and the frame of the work.',
})

/** Lets a lesson in: its circuit through the circuit's own door, its faults where they can strike. Never throws. */
export function readLesson(input: unknown): Read<Lesson> {
  const circuit = readCircuit(
    typeof input === 'object' && input !== null ? Reflect.get(input, 'circuit') : undefined,
  )
  if (!circuit.ok)
    return {
      ok: false,
      problems: circuit.problems.map((p) => ({ ...p, where: `circuit.${p.where}` })),
    }
  const read = lessonSchema.safeParse({ ...(input as object), circuit: circuit.value })
  if (!read.success) return { ok: false, problems: problemsOf(read.error) }
  const problems = read.data.sets.flatMap(({ faults }, i) =>
    faults.flatMap((fault) => {
      const problem = checkFault(circuit.value, fault)
      return problem ? [{ ...problem, where: `sets.${i}.${problem.where}` }] : []
    }),
  )
  for (const [i, { facts = [] }] of read.data.sets.entries()) {
    const strange = checkComplaint(circuit.value, facts)
    if (strange) problems.push({ where: `sets.${i}.facts`, ...strange })
  }
  for (const [i, { state }] of (read.data.script ?? []).entries())
    if (!circuit.value.states.some(({ id }) => id === state))
      problems.push({ where: `script.${i}.state`, ...say('lab.noState', { state }) })
  return problems.length ? { ok: false, problems } : { ok: true, value: read.data }
}

/**
 * Which set each of so many people gets: in turn, from a place that the seed says, so that neighbours differ.
 * @param sets how many sets there are
 * @param people how many draw
 * @param seed whole number
 * @returns for each person the index of the set
 */
export const drawSets = (sets: number, people: number, seed: number): number[] =>
  Array.from({ length: people }, (_, i) => (i + (seed >>> 0)) % sets)
