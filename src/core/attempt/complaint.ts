import { cached } from '../cache'
import { aftermath, noticeAll, solveBoard } from '../board'
import { settable, type Circuit, type CircuitState } from '../circuit'
import { faultOfKind, type Fault } from '../faults'
import { shaken } from './movement'
import type { Claim, Order } from './order'
import { batteryAmps, flatKey, hoursUntilFlat, standingBattery } from './standing'
import type { Arrangement } from './steps'

/** What a person sets of a state: the weather and the past are not theirs. */
export const arrangementOf = ({
  controls,
  detached,
  wiggled,
  engine,
  sinceKeyOff,
}: CircuitState): Arrangement => ({
  controls,
  detached,
  ...(wiggled?.length && { wiggled }),
  ...(engine && { engine }),
  ...(sinceKeyOff !== undefined && { sinceKeyOff }),
})

/** What a fault does that somebody notices, in one state that a person can set. */
export interface Shows {
  readonly state: CircuitState
  readonly complaint: readonly Claim[]
}

/** What the sound circuit itself melts. */
const usualOf = cached({ owner: (circuit: Circuit) => circuit }, (circuit) => aftermath(circuit, []))

/**
 * Where anything shows of what is planted, in the order in which it would be noticed: what is seen in a state; where nothing
 * is, what comes and goes while everything is shaken, as on the road; and a battery that is flat after some hours.
 */
export function* whatShows(circuit: Circuit, planted: readonly Fault[]): Generator<Shows> {
  const gone = aftermath(circuit, planted)
  const states = circuit.states.filter(settable)
  let seen = false
  for (const state of states) {
    const complaint = complaintIn(circuit, planted, state, gone)
    if (complaint.length) yield { state, complaint }
    seen ||= complaint.length > 0
  }
  const comesAndGoes = planted.some(({ kind, moving }) => moving === true || faultOfKind(kind).reseats)
  if (!seen && comesAndGoes)
    for (const state of states.map((one) => shaken(circuit, one))) {
      const complaint = complaintIn(circuit, planted, state, gone)
      if (complaint.length) yield { state, complaint }
    }
  const flat = flatIn(circuit, planted, gone)
  if (flat) yield flat
}

/**
 * The complaint as facts, from what the circuit does: in the first state that a person can set and in which anything
 * shows, every part that does not do what it should. Empty where nothing of the fault is ever noticed.
 */
export function draftComplaint(circuit: Circuit, planted: readonly Fault[]): Claim[] {
  for (const { complaint } of whatShows(circuit, planted)) return [...complaint]
  return []
}

/** What the order says the customer noticed; drafted where an older order says nothing. */
export const complaintOf = ({ circuit, planted, frame }: Order): Claim[] =>
  frame.complaint.length ? frame.complaint : draftComplaint(circuit, planted)

/** What is seen and heard in one state. */
export function complaintIn(
  circuit: Circuit,
  planted: readonly Fault[],
  state: CircuitState,
  gone: ReadonlySet<string> = aftermath(circuit, planted),
  usual: ReadonlySet<string> = usualOf(circuit),
): Claim[] {
  const faulted = solveBoard(circuit, planted, state, { blown: gone })
  const healthy = solveBoard(circuit, [], state, { blown: usual })
  if (!faulted.ok || !healthy.ok) return []
  const good = new Map(noticeAll(healthy).map((n) => [n.part, n.key]))
  const arrangement = arrangementOf(state)
  return noticeAll(faulted)
    .filter(({ part, key }) => good.get(part) !== key)
    .slice(0, 12)
    .map(({ part, key }) => ({ arrangement, part, notice: key }))
}

/** The vehicle is left, and does not start again: in the state in which the sound circuit draws least. */
function flatIn(circuit: Circuit, planted: readonly Fault[], gone: ReadonlySet<string>): Shows | undefined {
  const battery = standingBattery(circuit)
  if (!battery) return undefined
  const left = circuit.states
    .filter((state) => settable(state) && state.engine !== 'running' && state.detached.length === 0)
    .flatMap((state) => {
      const sound = solveBoard(circuit, [], state, { blown: usualOf(circuit) })
      return sound.ok ? [{ state, sound, amps: batteryAmps(sound) }] : []
    })
    .sort((a, b) => a.amps - b.amps || (b.state.sinceKeyOff ?? 0) - (a.state.sinceKeyOff ?? 0))
  const [rest] = left
  const faulted = rest && solveBoard(circuit, planted, rest.state, { blown: gone })
  const hours = faulted?.ok ? hoursUntilFlat(circuit, faulted, rest!.sound) : undefined
  return hours === undefined
    ? undefined
    : {
        state: rest!.state,
        complaint: [{ arrangement: arrangementOf(rest!.state), part: battery.part, notice: flatKey, hours }],
      }
}
