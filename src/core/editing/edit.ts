import { z } from 'zod'
import { partOfKind, presetsOf } from '../parts'
import { readCircuit } from './read'
import { circuitSchema, type Circuit, liftChoice, liftWords, upgradeDocument } from '../circuit'
import { coded, door, problemsOf, type Problem, messageSchema, type Message, say } from '../document'

/** What was done, for the history; text is of before there were messages. */
const labelSchema = z.union([messageSchema, z.string().max(200)])

/** Every change that can be made to a circuit: plain data, so that it can be logged, sent and undone. */
export const editSchema = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('setParameter'),
    part: z.string(),
    name: z.string(),
    value: z.union([z.number(), z.string().max(200)]),
  }),
  z.strictObject({ type: z.literal('namePart'), part: z.string(), name: z.string().max(80) }),
  z.strictObject({
    type: z.literal('rename'),
    name: z
      .string()
      .min(1, coded(say('circuit.needsName')))
      .max(120),
  }),
  /** The structure as building left it: what `build/` made of the lists before. */
  z.strictObject({
    type: z.literal('arrange'),
    label: labelSchema,
    parts: circuitSchema.shape.parts,
    paths: circuitSchema.shape.paths,
    bundles: circuitSchema.shape.bundles,
    states: circuitSchema.shape.states,
  }),
  /** Another state of the whole document: a version taken up again, or a model fitted to its board. */
  z.strictObject({ type: z.literal('whole'), label: labelSchema, circuit: circuitSchema }),
  z.strictObject({
    type: z.literal('describe'),
    vehicle: circuitSchema.shape.vehicle,
    note: circuitSchema.shape.note,
  }),
  /** None: it follows from what is built in. */
  z.strictObject({ type: z.literal('setDuty'), duty: circuitSchema.shape.duty }),
  /** None: as a school's. */
  z.strictObject({ type: z.literal('setScatter'), scatter: circuitSchema.shape.scatter }),
  z.strictObject({ type: z.literal('setTemperature'), value: z.number().min(-40).max(85) }),
])
export type Edit = z.infer<typeof editSchema>

/** The way in for edits that are kept for undo: those of before version 2 have words where there are keys now. */
export const editDoor = door<Edit>('edit', 2, editSchema, {
  1: (edit) => {
    if (edit.type === 'arrange') return { ...edit, ...liftWords(edit) }
    if (edit.type === 'whole') return { ...edit, circuit: upgradeDocument(edit.circuit) }
    if (edit.type === 'setParameter') return { ...edit, value: liftChoice(String(edit.name), edit.value) }
    return edit
  },
})

export type Edited = { ok: true; circuit: Circuit; inverse: Edit } | { ok: false; problem: Problem }

/** Applies an edit. The given circuit is left as it was; the inverse undoes the edit exactly. */
export function applyEdit(circuit: Circuit, edit: Edit): Edited {
  switch (edit.type) {
    case 'rename':
      return {
        ok: true,
        circuit: { ...circuit, name: edit.name },
        inverse: { type: 'rename', name: circuit.name },
      }
    case 'arrange': {
      const { label, parts, paths, bundles, states } = edit
      const read = readCircuit({ ...circuit, parts, paths, bundles, states }, { unfinished: true })
      if (!read.ok) return { ok: false, problem: read.problems[0]! }
      return { ok: true, circuit: read.value, inverse: arrangement(circuit, label) }
    }
    case 'whole': {
      const read = readCircuit(edit.circuit, { unfinished: true })
      if (!read.ok) return { ok: false, problem: read.problems[0]! }
      return { ok: true, circuit: read.value, inverse: { type: 'whole', label: edit.label, circuit } }
    }
    case 'describe': {
      const { vehicle, note } = circuit
      return {
        ok: true,
        circuit: { ...circuit, vehicle: edit.vehicle, note: edit.note },
        inverse: { type: 'describe', vehicle, note },
      }
    }
    case 'setDuty': {
      const { duty, ...rest } = circuit
      return {
        ok: true,
        circuit: edit.duty ? { ...rest, duty: edit.duty } : rest,
        inverse: { type: 'setDuty', ...(duty && { duty }) },
      }
    }
    case 'setScatter': {
      const { scatter, ...rest } = circuit
      return {
        ok: true,
        circuit: edit.scatter ? { ...rest, scatter: edit.scatter } : rest,
        inverse: { type: 'setScatter', ...(scatter && { scatter }) },
      }
    }
    case 'setTemperature':
      return {
        ok: true,
        circuit: { ...circuit, temperature: edit.value },
        inverse: { type: 'setTemperature', value: circuit.temperature },
      }
    case 'namePart': {
      const part = circuit.parts.find((p) => p.id === edit.part)
      if (!part) return missing(edit.part)
      return {
        ok: true,
        circuit: replace(circuit, { ...part, name: edit.name }),
        inverse: { type: 'namePart', part: part.id, name: part.name },
      }
    }
    case 'setParameter': {
      const part = circuit.parts.find((p) => p.id === edit.part)
      if (!part) return missing(edit.part)
      const before = part.parameters[edit.name]
      const definition = partOfKind(part.kind)
      if (typeof before !== 'number' && typeof before !== 'string') {
        return {
          ok: false,
          problem: {
            where: part.id,
            ...say('circuit.noValue', {
              id: part.id,
              name: edit.name,
              names: Object.keys(definition.parameters.shape),
            }),
          },
        }
      }
      // A size brings its values along; undone together, as they were.
      const more = presetsOf(definition, edit.name, edit.value)
      const checked = definition.parameters
        .strict()
        .safeParse({ ...part.parameters, [edit.name]: edit.value, ...more })
      if (!checked.success) return { ok: false, problem: problemsOf(checked.error, [part.id])[0]! }
      return {
        ok: true,
        circuit: replace(circuit, { ...part, parameters: checked.data }),
        inverse: Object.keys(more).length ? arrangement(circuit, '') : { ...edit, value: before },
      }
    }
  }
}

/** The structure of a circuit as an edit that brings it about. */
export const arrangement = ({ parts, paths, bundles, states }: Circuit, label: Message | string): Edit => ({
  type: 'arrange',
  label,
  parts,
  paths,
  bundles,
  states,
})

const missing = (id: string): Edited => ({
  ok: false,
  problem: { where: id, ...say('circuit.noPart', { id }) },
})

const replace = (circuit: Circuit, part: Circuit['parts'][number]): Circuit => ({
  ...circuit,
  parts: circuit.parts.map((p) => (p.id === part.id ? part : p)),
})
