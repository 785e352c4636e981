import { complaintOf, partsTouched, stateOf, type Order } from '../../attempt'
import { aftermath } from '../../board'
import { stateSignature } from '../../circuit'
import { candidatesByState, type Candidate, type Predictor } from '../../diagnosis'
import { instrumentOf, type InstrumentKey } from '../../instruments'
import { isApart, isolatedRows, passing } from '../../readings'
import { truthBoards } from './boards'

/** How readily each instrument is taken first, beside the voltmeter (common practice, no source). */
const readily: Partial<Record<InstrumentKey, number>> = { testLamp: 0.9, ohms: 0.8, continuity: 0.8 }
const seldom = 0.3
/** A test in another state than the complaint's is taken first so much less often (common practice, no source). */
const elsewhere = 0.25
/** V below which a reading passes for the good one: the lower of the trade's usual limits (common practice, no source). */
const voltsPass = 0.15

export interface Deceptions {
  /** Of the tests in whose reach the fault is, weighed by how readily they are taken: the share that reads sound, 0 to 1. */
  readonly share: number
  /** Instruments by how much of it is theirs, the most first. */
  readonly by: readonly InstrumentKey[]
  /** No ohmmeter shows it, in the circuit or out of it. */
  readonly foolsOhms: boolean
  /** States of the circuit in which some test shows it, and how many states there are. */
  readonly states: { readonly shows: number; readonly of: number }
}

/** Tests of the bag that read sound though the fault is in their reach: the same test shows it in another state. */
export function deceptionsOf(predictor: Predictor, order: Order): Deceptions {
  const { circuit, planted, frame } = order
  const boards = truthBoards(predictor, order)
  const complained = new Set(
    complaintOf(order).map(({ arrangement }) => stateSignature(circuit, stateOf(arrangement))),
  )
  const struck = new Set(planted.map(({ part }) => part))
  const lists = candidatesByState(predictor, frame.bag)
  const rows = lists.map((list) => {
    const { state } = list[0].setup
    const [good, bad] = boards(state)
    return {
      weight: complained.has(stateSignature(circuit, state)) ? 1 : elsewhere,
      shown: list.map((one) => (good && bad ? shows(predictor, one, good, bad) : undefined)),
    }
  })
  let [deceptive, all] = [0, 0]
  const by = new Map<InstrumentKey, number>()
  const count = (key: InstrumentKey, weight: number, sound: boolean) => {
    const own = weight * (readily[key] ?? (key === 'volts' ? 1 : seldom))
    all += own
    if (!sound) return
    deceptive += own
    by.set(key, (by.get(key) ?? 0) + own)
  }
  // Lists hold the same tests in the same order, state by state.
  for (const [k, { setup, held }] of (lists[0] ?? []).entries()) {
    const own = rows.map(({ shown }) => shown[k])
    const touches = partsTouched(circuit, held).some((id) => struck.has(id))
    if (!own.includes(true) && !(touches && own.includes(false))) continue
    for (const [i, shown] of own.entries())
      if (shown !== undefined) count(setup.instrument, rows[i]!.weight, !shown)
  }
  const inHand = handShows(predictor, order, struck)
  for (const key of ['ohms', 'continuity'] as const)
    if (frame.bag.includes(key)) for (const shown of inHand) count(key, 1, !shown)
  const ohmsShow = lists.some((list, i) =>
    list.some(({ setup }, k) => setup.instrument === 'ohms' && rows[i]!.shown[k] === true),
  )
  return {
    share: all > 0 ? deceptive / all : 0,
    by: [...by].sort((p, q) => q[1] - p[1]).map(([key]) => key),
    foolsOhms: frame.bag.includes('ohms') && !ohmsShow && !inHand.includes(true),
    states: {
      shows: rows.filter(({ shown }) => shown.includes(true)).length,
      of: rows.length,
    },
  }
}

type Boards = NonNullable<ReturnType<ReturnType<typeof truthBoards>>[0]>

/** Whether a test tells the two boards apart; undefined where it says nothing of either. */
function shows({ meter }: Predictor, { setup }: Candidate, good: Boards, bad: Boards): boolean | undefined {
  const { instrument: key, settings, place } = setup
  const instrument = instrumentOf(key)
  const [a, b] = [good, bad].map((solved) => instrument.guess!({ solved, place, settings, meter }))
  if (a === undefined && b === undefined) return undefined
  // On a live circuit an ohmmeter tells nothing of either.
  if (instrument.nature(settings).needsDead && (a === undefined || b === undefined)) return undefined
  if (instrument.asks.type !== 'value') return instrument.tells(a ?? NaN) !== instrument.tells(b ?? NaN)
  const { unit } = instrument.asks
  const clip = (value?: number) => (value === undefined ? undefined : Math.min(1e8, value))
  const within =
    key === 'fuseVolts'
      ? 0.001
      : unit === 'V'
        ? voltsPass
        : unit === 'A'
          ? passing.clamp(a ?? 0)
          : passing.ohms(clip(a) ?? 0)
  return isApart(clip(a), clip(b), within)
}

/** What the ohmmeter shows of each struck part in the hand. */
function handShows(
  { circuit, meter }: Predictor,
  { planted }: Order,
  struck: ReadonlySet<string>,
): boolean[] {
  const sound = isolatedRows(circuit, [], meter, aftermath(circuit, []))
  const faulted = isolatedRows(circuit, planted, meter, aftermath(circuit, planted))
  return sound.flatMap((row, i) => {
    const now = faulted[i]
    if (!struck.has(row.part) || !now) return []
    const [a, b] = [row, now].map(({ ohms }) => Math.min(1e8, ohms.value ?? 1e8))
    return [isApart(a, b, passing.ohms(a!))]
  })
}
