import { z } from 'zod'
import { rubricSchema, type Rubric } from '../assessment'
import {
  soundCircuit,
  advance,
  arrangementOf,
  arrangementSchema,
  complaintIn,
  draftComplaint,
  frameSchema,
  perform,
  predictionSaid,
  readingSaid,
  repairKeys,
  startBench,
  stateOf,
  whatShows,
  type Action,
  type Arrangement,
  type BenchState,
  type Order,
  type Prediction,
  type Said,
  type Step,
} from '../attempt'
import { readCircuit } from '../editing'
import { wireUp } from '../model'
import { expectsSchema, type Expects } from './attempt-expects'
import { stateSignature, type Circuit } from '../circuit'
import { problemsOf, type Message, type Problem, type Read, messageOf, say } from '../document'
import { faultKinds, readFaultSpec, type Fault } from '../faults'
import {
  findInstrument,
  heldSchema,
  instrumentKeys,
  instrumentOf,
  settingsOf,
  settingsSchema,
  type Held,
  type InstrumentKey,
} from '../instruments'

const stateName = z.union([z.string().max(80), arrangementSchema])

const held = {
  red: z.string().max(20).optional(),
  black: z.string().max(20).optional(),
  round: z.array(z.string().max(20)).min(1).max(12).optional(),
  series: z.string().max(12).optional(),
  inPlaceOf: z.string().max(12).optional(),
  spots: z.string().max(12).optional(),
  at: z.string().max(12).optional(),
}

const connection = { instrument: z.enum(instrumentKeys), settings: settingsSchema.optional(), ...held }

const operateStep = z.strictObject({
  operate: z.strictObject({
    state: stateName,
    says: z.enum(['asComplained', 'notReproduced']).optional(),
  }),
})
const testStep = z.strictObject({
  test: z.strictObject({
    state: stateName,
    ...connection,
    also: z.array(z.strictObject(connection)).max(3).optional(),
    predict: z.string().max(40).optional(),
    reading: z.string().max(40).optional(),
  }),
})
const inferStep = z.strictObject({
  infer: z.strictObject({
    struck: z.array(z.string().max(40)).max(600).default([]),
    ringed: z.array(z.string().max(40)).max(600).default([]),
    note: z.string().max(500).optional(),
  }),
})
const concludeStep = z.strictObject({
  conclude: z.strictObject({
    piece: z.string().max(40),
    kind: z.enum([...faultKinds, soundCircuit]),
    sure: z.number().min(0).max(100).default(50),
    note: z.string().max(500).optional(),
  }),
})
const repairStep = z.strictObject({
  repair: z.strictObject({ piece: z.string().max(40), by: z.enum(repairKeys) }),
})
const renewStep = z.strictObject({ renew: z.string().max(12) })

const complaint = z.union([
  z.strictObject({ state: stateName }),
  z
    .array(
      z.strictObject({
        state: stateName,
        part: z.string().max(12),
        notice: z.string().max(40),
        hours: z.number().positive().optional(),
      }),
    )
    .max(12),
])

/** An attempt as it is written down: a circuit, what is planted, and the steps in order. */
export const attemptFileSchema = z.strictObject({
  format: z.literal('brachyon-attempt'),
  version: z.literal(1),
  /** What it shows, in a line. */
  title: z.string().max(200).optional(),
  /** A path to a circuit file, or the circuit itself. */
  circuit: z.union([z.string().min(1).max(400), z.record(z.string(), z.unknown())]),
  /** As `PART[.SEGMENT]=KIND[:SEVERITY]`; none where nothing is wrong. */
  planted: z.array(z.string().max(80)).max(4),
  frame: frameSchema
    .omit({ complaint: true })
    .partial()
    .extend({ complaint: complaint.optional() })
    .optional(),
  rubric: rubricSchema.optional(),
  expects: expectsSchema.optional(),
  steps: z.array(z.union([operateStep, testStep, inferStep, concludeStep, repairStep, renewStep])).max(400),
})
export type AttemptFile = z.infer<typeof attemptFileSchema>

/** The published schema of a written attempt (JSON Schema 2020-12). */
export const attemptJsonSchema = (): object => ({
  ...z.toJSONSchema(attemptFileSchema, { io: 'input', unrepresentable: 'any' }),
  title: 'Brachyon attempt',
  description: 'A circuit, what is planted in it, and a student’s steps in order, to be run and judged.',
})

/** An attempt that has been gone through on the virtual bench. */
export interface WorkedAttempt {
  readonly order: Order
  readonly steps: readonly Step[]
  readonly rubric: Rubric | undefined
  readonly expects: Expects | undefined
}

const refuse = (where: string, why: Message): { ok: false; problems: [Problem] } => ({
  ok: false,
  problems: [{ where, ...why }],
})

/** Reads one after the other; the first that cannot be read is what is wrong with all of them. */
function readEach<A, B>(list: readonly A[], read: (one: A, i: number) => Read<B>): Read<B[]> {
  const values: B[] = []
  for (const [i, one] of list.entries()) {
    const found = read(one, i)
    if (!found.ok) return found
    values.push(found.value)
  }
  return { ok: true, value: values }
}

const placed = <T>(said: Said<T>, where: string): Read<T> => (said.ok ? said : refuse(where, said.why))

/**
 * Takes a written attempt in and goes through its steps on the virtual bench. Every step that cannot be done is refused with
 * its place; nothing is judged by halves.
 * @param circuitOf reads the circuit of a path
 */
export function readAttempt(input: unknown, circuitOf: (path: string) => Read<Circuit>): Read<WorkedAttempt> {
  const read = attemptFileSchema.safeParse(input)
  if (!read.success) return { ok: false, problems: stepProblems(input) ?? problemsOf(read.error) }
  const { circuit: given, planted: specs, frame: framed = {}, rubric, expects, steps: list } = read.data
  const circuitRead = typeof given === 'string' ? circuitOf(given) : readCircuit(given)
  if (!circuitRead.ok) return circuitRead
  const circuit = circuitRead.value
  const planted = readEach(specs, (spec, i): Read<Fault> => {
    const found = readFaultSpec(circuit, spec)
    return found.ok ? { ok: true, value: found.fault } : refuse(`planted.${i}`, found.why)
  })
  if (!planted.ok) return planted
  const { complaint: said, ...rest } = framed
  const complaint = complaintOf(circuit, planted.value, said)
  if (!complaint.ok) return complaint
  const frame = frameSchema.parse({
    ...rest,
    // Where two are planted there may be two, whatever is said.
    ...(planted.value.length > 1 && { faults: 2 }),
    complaint: complaint.value,
  })
  const order: Order = { circuit, planted: planted.value, frame }
  const wiring = wireUp(circuit)
  let bench: BenchState = startBench(order)
  const before: Step['type'][] = []
  const steps = readEach(list, (one, i): Read<Step> => {
    const where = `steps.${i}`
    const action = actionOf(circuit, one, where)
    if (!action.ok) return action
    const done = perform(order, bench, before, action.value, wiring)
    if (!done.ok) return refuse(where, done.why)
    bench = advance(order, bench, done.step)
    before.push(done.step.type)
    return { ok: true, value: done.step }
  })
  return steps.ok ? { ok: true, value: { order, steps: steps.value, rubric, expects } } : steps
}

const stepSchemas = {
  operate: operateStep,
  test: testStep,
  infer: inferStep,
  conclude: concludeStep,
  repair: repairStep,
  renew: renewStep,
}

/** What is wrong with the first step that is, by the schema of its own kind: of six kinds together nobody could tell. */
function stepProblems(input: unknown): Problem[] | undefined {
  const whole = attemptFileSchema
    .extend({ steps: z.array(z.record(z.string(), z.unknown())) })
    .safeParse(input)
  if (!whole.success) return undefined
  for (const [i, step] of whole.data.steps.entries()) {
    const kind = Object.keys(stepSchemas).find((key): key is keyof typeof stepSchemas => key in step)
    const where = ['steps', String(i)]
    if (!kind)
      return [{ where: where.join('.'), ...say('formats.noStep', { kinds: Object.keys(stepSchemas) }) }]
    const read = stepSchemas[kind].safeParse(step)
    if (!read.success) return problemsOf(read.error, where)
  }
  return undefined
}

function complaintOf(
  circuit: Circuit,
  planted: readonly Fault[],
  said: z.infer<typeof complaint> | undefined,
): Read<Order['frame']['complaint']> {
  if (said === undefined) return { ok: true, value: draftComplaint(circuit, planted) }
  if (Array.isArray(said))
    return readEach(said, ({ state, part, notice, hours }) => {
      const arrangement = arranged(circuit, state, 'frame.complaint')
      return arrangement.ok
        ? {
            ok: true,
            value: { arrangement: arrangement.value, part, notice, ...(hours !== undefined && { hours }) },
          }
        : arrangement
    })
  const arrangement = arranged(circuit, said.state, 'frame.complaint')
  if (!arrangement.ok) return arrangement
  const state = stateOf(arrangement.value)
  const seen = complaintIn(circuit, planted, state)
  if (seen.length) return { ok: true, value: seen }
  // What shows there only in time.
  const at = stateSignature(circuit, state)
  const shown = [...whatShows(circuit, planted)].find((one) => stateSignature(circuit, one.state) === at)
  return { ok: true, value: [...(shown?.complaint ?? [])] }
}

function arranged(circuit: Circuit, state: z.infer<typeof stateName>, where: string): Read<Arrangement> {
  if (typeof state !== 'string') return { ok: true, value: state }
  const found = circuit.states.find((s) => s.name === state || s.id === state)
  if (!found)
    return refuse(where, say('formats.noState', { name: state, states: circuit.states.map((s) => s.name) }))
  const { bypassed } = found
  return { ok: true, value: { ...arrangementOf(found), ...(bypassed?.length && { bypassed }) } }
}

function actionOf(circuit: Circuit, step: AttemptFile['steps'][number], where: string): Read<Action> {
  if ('operate' in step) {
    const { state, says } = step.operate
    const arrangement = arranged(circuit, state, where)
    if (!arrangement.ok) return arrangement
    return { ok: true, value: { type: 'operate', arrangement: arrangement.value, ...(says && { says }) } }
  }
  if ('infer' in step) return { ok: true, value: { type: 'infer', note: '', ...step.infer } }
  if ('conclude' in step) return { ok: true, value: { type: 'conclude', note: '', ...step.conclude } }
  if ('repair' in step) return { ok: true, value: { type: 'repair', ...step.repair } }
  if ('renew' in step) return { ok: true, value: { type: 'renew', fuse: step.renew } }
  const { state, predict, reading, also = [], ...own } = step.test
  const connections = readEach([own, ...also], (one) => {
    const held = heldOf(one, where)
    const settings = settingsOf(instrumentOf(one.instrument), one.settings)
    return held.ok ? { ok: true, value: { instrument: one.instrument, settings, held: held.value } } : held
  })
  if (!connections.ok) return connections
  const [connected, ...others] = connections.value
  const arrangement = arranged(circuit, state, where)
  if (!arrangement.ok) return arrangement
  const prediction = predictionOf(own.instrument, predict, where)
  if (!prediction.ok) return prediction
  const typed = reading === undefined ? undefined : placed(readingSaid(own.instrument, reading), where)
  if (typed && !typed.ok) return typed
  return {
    ok: true,
    value: {
      type: 'test',
      arrangement: arrangement.value,
      ...connected!,
      also: others,
      prediction: prediction.value,
      source: typed ? 'typed' : 'model',
      ...(typed && { reading: typed.value }),
    },
  }
}

function heldOf(
  {
    instrument: key,
    red,
    black,
    round,
    series,
    inPlaceOf,
    spots,
    at,
  }: { instrument: string } & {
    readonly [K in keyof typeof held]?: z.infer<(typeof held)[K]> | undefined
  },
  where: string,
): Read<Held> {
  const instrument = findInstrument(key)!
  const found: unknown = round
    ? { type: 'jaws', round }
    : series !== undefined
      ? { type: 'series', part: series }
      : inPlaceOf !== undefined
        ? { type: 'inPlaceOf', part: inPlaceOf }
        : spots !== undefined
          ? { type: 'spots', part: spots }
          : at !== undefined
            ? { type: 'at', part: at }
            : red !== undefined && black !== undefined
              ? { type: 'leads', red, black }
              : instrument.holds.includes('posts')
                ? { type: 'posts' }
                : undefined
  const read = heldSchema.safeParse(found)
  return read.success
    ? { ok: true, value: read.data }
    : refuse(where, say('formats.heldHow', { title: messageOf(instrument.title) }))
}

/** What a good circuit would show, as the trade writes it; zero where nothing was predicted. */
function predictionOf(key: InstrumentKey, text: string | undefined, where: string): Read<Prediction> {
  const { asks } = instrumentOf(key)
  const said = text?.trim() ?? ''
  if (asks.type === 'word' && !said)
    return { ok: true, value: { type: 'word', word: Object.keys(asks.words)[0]! } }
  if (asks.type === 'value' && !said) return { ok: true, value: { type: 'value', value: 0 } }
  return placed(predictionSaid(key, said), where)
}
