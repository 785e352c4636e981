import { aftermath, noticeAll, solveBoard } from '../board'
import { settable, type Circuit, type CircuitState } from '../circuit'
import type { Fault } from '../faults'
import type { Frame, Order } from './order'
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

/**
 * The complaint as facts, from what the circuit does: in the first state that a person can set and in which anything
 * shows, every part that does not do what it should. Empty where nothing can be seen or heard of the fault.
 */
export function draftComplaint(circuit: Circuit, planted: readonly Fault[]): Frame['complaint'] {
  const gone = aftermath(circuit, planted)
  const usual = aftermath(circuit, [])
  for (const state of circuit.states.filter(settable)) {
    const found = complaintIn(circuit, planted, state, gone, usual)
    if (found.length) return found
  }
  return []
}

/** What the order says the customer noticed; drafted where an older order says nothing. */
export const complaintOf = ({ circuit, planted, frame }: Order): Frame['complaint'] =>
  frame.complaint.length ? frame.complaint : draftComplaint(circuit, planted)

/** The same for one state. */
export function complaintIn(
  circuit: Circuit,
  planted: readonly Fault[],
  state: CircuitState,
  gone: ReadonlySet<string> = aftermath(circuit, planted),
  usual: ReadonlySet<string> = aftermath(circuit, []),
): Frame['complaint'] {
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
