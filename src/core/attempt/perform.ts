import { findPart, findPieces, wireUp, type Wiring } from '../model'
import { bodyAt, likeParts, noticeAll, sparesOf } from '../board'
import { type Circuit, splitRef } from '../circuit'
import { type Message, say, messageOf } from '../document'
import {
  checkSettings,
  instrumentOf,
  locate,
  readWith,
  withConnected,
  type Connected,
  type Reading,
} from '../instruments'
import { partOfKind } from '../parts'
import { still } from './movement'
import { flatKey, standingBattery } from './standing'
import { boardOf, faultsUncured, latchedOf, type BenchState } from './bench-state'
import { meterOfFrame, type Order } from './order'
import { cures, repairOf, repairsFor } from './repairs'
import {
  soundCircuit,
  type Arrangement,
  type Connection,
  type Step,
  type StepOf,
  type StoredReading,
} from './steps'

/** What a student asks for: a step without what only the bench can add. */
export type Action =
  | (Omit<StepOf<'operate'>, 'seen' | 'shows' | 'did'> & {
      readonly seen?: StepOf<'operate'>['seen'] | undefined
    })
  | (Omit<StepOf<'test'>, 'reading' | 'did'> & { readonly reading?: StoredReading | undefined })
  | StepOf<'infer'>
  | StepOf<'conclude'>
  | Omit<StepOf<'repair'>, 'did'>
  | StepOf<'renew'>

export type Performed =
  | { readonly ok: true; readonly step: Step }
  /** `at` of a refusal that the order of the work asks for, `wrong` of what cannot be done at all. */
  | { readonly ok: false; readonly why: Message; readonly trouble: 'order' | 'input' }

const wrong = (why: Message): Performed => ({ ok: false, why, trouble: 'input' })

/**
 * Carries a student's action out on the bench: what it shows, and what it does to the bench. The words of a refusal say
 * nothing of what is planted.
 * @param before types of the steps so far
 */
export function perform(
  order: Order,
  bench: BenchState,
  before: readonly Step['type'][],
  action: Action,
  wiring: Wiring = wireUp(order.circuit),
): Performed {
  const { circuit } = order
  switch (action.type) {
    case 'operate': {
      const problem = checkArrangement(circuit, action.arrangement)
      if (problem) return wrong(problem)
      // On a real board the student says what there is to see: the model keeps its own to itself.
      if (order.frame.source !== 'model') {
        const seen = action.seen ?? {}
        const strange = strangeNotice(circuit, seen)
        return strange ? wrong(strange) : { ok: true, step: { ...action, seen } }
      }
      const left = connectAll(order, wiring, action.also ?? [])
      if (!left.ok) return wrong(left.why)
      const { also, ...bare } = action
      const alone = boardOf(order, bench, action.arrangement)
      const solved = alone.ok ? withConnected(alone, left.others, meterOfFrame(order.frame)) : alone
      if (!solved.ok) return wrong(say('attempt.unsettled'))
      const seen = Object.fromEntries(noticeAll(solved).map(({ part, key }) => [part, key]))
      const latched = latchedOf(solved)
      const blown = [...solved.blown].filter((id) => !bench.blown.includes(bodyAt(action.arrangement, id)))
      return {
        ok: true,
        step: {
          ...bare,
          ...(also?.length && { also: left.also, shows: shownMeanwhile(order, alone, left.others) }),
          seen,
          did: { blown, ...(latched && { latched }) },
        },
      }
    }
    case 'test':
      return test(order, bench, action, wiring)
    case 'infer': {
      if (before[before.length - 1] !== 'test')
        return { ok: false, why: say('attempt.readingFirst'), trouble: 'order' }
      const stranger = [...action.struck, ...action.ringed].find((p) => !findPieces(circuit, p).length)
      return stranger === undefined
        ? { ok: true, step: action }
        : wrong(say('attempt.noPiece', { id: stranger }))
    }
    case 'conclude': {
      if (!before.includes('test')) return { ok: false, why: say('attempt.testFirst'), trouble: 'order' }
      const isSound = action.kind === soundCircuit
      if (
        isSound !== (action.piece === soundCircuit) ||
        (!isSound && !findPieces(circuit, action.piece).length)
      )
        return wrong(say('attempt.noPiece', { id: action.piece }))
      return { ok: true, step: action }
    }
    case 'repair': {
      const pieces = findPieces(circuit, action.piece)
      const [piece] = pieces
      if (!piece) return wrong(say('attempt.noPiece', { id: action.piece }))
      const ways = [...new Set(pieces.flatMap((one) => repairsFor(circuit, one)))]
      if (!ways.some(({ key }) => key === action.by))
        return wrong(
          say('attempt.notSuchRepair', {
            title: messageOf(repairOf(action.by).title),
            piece: action.piece,
            repairs: ways.map(({ title }) => messageOf(title)),
          }),
        )
      const cured = faultsUncured(circuit, order.planted, bench).some((fault) =>
        pieces.some((one) => cures(circuit, one, action.by, fault)),
      )
      return { ok: true, step: { ...action, did: { blown: [], cured } } }
    }
    case 'renew': {
      const known =
        bench.meterFuses.some((jack) => jack === action.fuse) ||
        // A fuse that is whole may be renewed too: whoever does not look wastes one.
        circuit.parts.some((p) => p.id === action.fuse && partOfKind(p.kind).protects?.melts)
      return known ? { ok: true, step: action } : wrong(say('attempt.nothingToRenew', { id: action.fuse }))
    }
  }
}

function test(
  order: Order,
  bench: BenchState,
  action: Extract<Action, { type: 'test' }>,
  wiring: Wiring,
): Performed {
  const { circuit, frame } = order
  const problem = checkArrangement(circuit, action.arrangement)
  if (problem) return wrong(problem)
  const reader = connect(order, wiring, action)
  if (!reader.ok) return wrong(reader.why)
  const left = connectAll(order, wiring, action.also)
  if (!left.ok) return wrong(left.why)
  const { others, also } = left
  const { reading: given, ...rest } = action
  const step = { ...rest, held: reader.held, settings: reader.connected.settings, also }
  if (action.source !== 'model') {
    if (!given) return { ok: false, why: say('attempt.typed'), trouble: 'order' }
    return { ok: true, step: { ...step, reading: given } }
  }
  const solved = boardOf(order, bench, action.arrangement)
  // Where the solver failed would say where to look: a student hears only that it did.
  if (!solved.ok) return wrong(say('attempt.unsettled'))
  const read = readWith(solved, reader.connected, others, meterOfFrame(frame))
  if (!read.ok) return wrong(say('attempt.unsettled'))
  const reading = withoutFuse(
    recorded(order, bench, action, reader.connected, read.reading),
    reader.connected,
    bench,
  )
  const latched = latchedOf(solved)
  const blown = [...new Set([...solved.blown, ...reading.did.blown])].filter(
    (id) => !bench.blown.includes(bodyAt(action.arrangement, id)),
  )
  const { meterFuse } = reading.did
  return {
    ok: true,
    step: {
      ...step,
      reading: recordReading(reading),
      did: { blown, ...(meterFuse && { meterFuse }), ...(latched && { latched }) },
    },
  }
}

/** What each of several instruments shows while all of them are connected. */
function shownMeanwhile(
  { frame }: Order,
  alone: ReturnType<typeof boardOf>,
  connected: readonly Connected[],
): StoredReading[] {
  return connected.flatMap((one, i) => {
    const others = connected.filter((_, k) => k !== i)
    const read = alone.ok && readWith(alone, one, others, meterOfFrame(frame))
    return read && read.ok ? [recordReading(read.reading)] : []
  })
}

/** All that is connected beside, each where it is held; or why one of them cannot be. */
function connectAll(
  order: Order,
  wiring: Wiring,
  list: readonly Connection[],
): { ok: true; others: Connected[]; also: Connection[] } | { ok: false; why: Message } {
  const others: Connected[] = []
  const also: Connection[] = []
  for (const one of list) {
    const found = connect(order, wiring, one)
    if (!found.ok) return found
    others.push(found.connected)
    also.push({ ...one, held: found.held, settings: found.connected.settings })
  }
  return { ok: true, others, also }
}

/** What is wrong with a complaint’s facts on this circuit: a state that cannot be made, a part or a notice that is none. */
export function checkComplaint(
  circuit: Circuit,
  complaint: Order['frame']['complaint'],
): Message | undefined {
  for (const { arrangement, part, notice, hours } of complaint) {
    const problem =
      checkArrangement(circuit, arrangement) ??
      (notice === flatKey ? strangeFlat(circuit, part, hours) : strangeNotice(circuit, { [part]: notice }))
    if (problem) return problem
  }
  return undefined
}

/** Only a battery that stores something goes flat, and in a time. */
function strangeFlat(circuit: Circuit, part: string, hours: number | undefined): Message | undefined {
  const battery = standingBattery(circuit)
  return battery?.part === part && hours !== undefined ? undefined : say('attempt.notFlat', { id: part })
}

/** A notice that its part does not show, or undefined. */
function strangeNotice(circuit: Circuit, seen: Readonly<Record<string, string>>): Message | undefined {
  for (const [id, key] of Object.entries(seen)) {
    const part = findPart(circuit, id)
    const notices = part && partOfKind(part.kind).notice?.all
    if (!notices) return say('attempt.noPart', { id })
    if (!notices.some((n) => n.key === key))
      return say('attempt.noNotice', { id, notices: notices.map((n) => n.key) })
  }
  return undefined
}

function connect(
  { circuit, frame }: Order,
  wiring: Wiring,
  { instrument: key, settings: said, held }: Connection,
): { ok: true; connected: Connected; held: Connection['held'] } | { ok: false; why: Message } {
  const instrument = instrumentOf(key)
  if (instrument.nature(said).byEye && frame.source !== 'model')
    return { ok: false, why: say('attempt.lookYourself') }
  if (!frame.bag.includes(key))
    return { ok: false, why: say('attempt.notInBag', { title: messageOf(instrument.title) }) }
  const checked = checkSettings(instrument, said)
  if (!checked.ok) return checked
  if (!instrument.holds.includes(held.type))
    return {
      ok: false,
      why: {
        code: 'instruments.heldOtherwise',
        params: { title: instrument.title, holds: instrument.holds },
      },
    }
  const located = locate(circuit, wiring, held)
  if (!located.ok) return located
  return {
    ok: true,
    connected: { instrument: key, settings: checked.settings, place: located.place },
    held: located.held,
  }
}

/**
 * What a meter that records has caught: least and most of what it saw in a limit cycle, or was moved by hand and
 * before that.
 */
function recorded(
  order: Order,
  bench: BenchState,
  { arrangement }: Pick<StepOf<'test'>, 'arrangement'>,
  connected: Connected,
  reading: Reading,
): Reading {
  if (connected.settings.record !== 'minMax' || connected.place.type === 'jaws') return reading
  const boards = [arrangement, ...(arrangement.wiggled?.length ? [still(arrangement)] : [])].flatMap(
    (one) => {
      const solved = boardOf(order, bench, one)
      return solved.ok ? solved.phases : []
    },
  )
  const values = boards.flatMap((solved) => {
    const read = readWith(solved, connected, [], meterOfFrame(order.frame))
    return read.ok && read.reading.value !== undefined ? [read.reading.value] : []
  })
  if (!values.length) return reading
  const [low, high] = [Math.min(...values), Math.max(...values)].map((value) => ({
    value,
    unit: reading.unit,
  }))
  return {
    ...reading,
    signs: [...reading.signs, { code: 'instruments.minMax', params: { low: low!, high: high! } }],
  }
}

/** In a jack whose fuse is gone nothing is connected at all. */
function withoutFuse(reading: Reading, { settings, instrument }: Connected, bench: BenchState): Reading {
  const jack = settings.jack === 'amps' ? 'A' : settings.jack === 'milli' ? 'mA' : undefined
  if (!jack || !bench.meterFuses.includes(jack) || !instrumentOf(instrument).nature(settings).shorts)
    return reading
  return {
    value: 0,
    unit: reading.unit,
    text: `0\u00a0${reading.unit}`,
    signs: [{ code: 'instruments.meterFuseGone' }],
    did: { blown: [] },
  }
}

/** Signs that say more than whoever holds the instrument can know: a fuse in its box blows unseen, a lamp has no display. */
const unseen: ReadonlySet<string> = new Set(
  ['blew', 'across', 'burden', 'floating'].map((key) => `instruments.${key}`),
)

/** What of a reading is kept with the step: all that the instrument showed, nothing that it did not. */
export const recordReading = ({ value, unit, text, word, signs }: Reading): StoredReading => ({
  ...(value === undefined || word !== undefined ? {} : { value }),
  unit,
  text,
  ...(word === undefined ? {} : { word }),
  signs: signs.filter(({ code }) => !unseen.has(code)),
})

/** What is wrong with an arrangement, or undefined where it can be made. */
export function checkArrangement(circuit: Circuit, arrangement: Arrangement): Message | undefined {
  const { controls, detached, wiggled = [], bypassed = [], swapped = [], spares = [] } = arrangement
  const kinds = new Map(circuit.parts.map((part) => [part.id, partOfKind(part.kind)]))
  for (const [id, position] of Object.entries(controls)) {
    const positions = kinds.get(id)?.positions
    if (!positions) return say('attempt.noPositions', { id })
    if (!positions.includes(position)) return say('attempt.noPosition', { id, position, positions })
  }
  const fixed = detached.find((id) => !kinds.get(id)?.detach)
  if (fixed !== undefined) return say('attempt.noDetach', { id: fixed })
  const unlike = swapped.find(([a, b]) => !likeParts(circuit, a).includes(b))
  if (unlike) return say('attempt.notLike', { a: unlike[0], b: unlike[1] })
  const kept = sparesOf(circuit)
  const noSpare = spares.find((id) => !kept.includes(id))
  if (noSpare !== undefined) return say('attempt.noSpare', { id: noSpare, spares: kept })
  const moved = [...swapped.flat(), ...spares]
  const twice = moved.find((id, i) => moved.indexOf(id) !== i)
  if (twice !== undefined) return say('attempt.swappedTwice', { id: twice })
  const stranger = wiggled.find((id) => !kinds.has(id))
  if (stranger !== undefined) return say('attempt.noPart', { id: stranger })
  for (const end of bypassed.flat()) {
    const [id, key] = splitRef(end)
    if (!kinds.get(id ?? '')?.terminals.some((t) => t.key === key)) return say('attempt.noTerminal', { end })
  }
  return undefined
}
