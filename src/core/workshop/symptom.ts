import { whatShows, type Frame } from '../attempt'
import { settable, type Circuit } from '../circuit'
import { faultOfKind, type Fault } from '../faults'
import { limitSetFor, stateKey } from '../readings'

/** What a driver would notice of a fault, and in which states. */
export interface Symptom {
  /** Ids of the states that a person can set in which anything shows. */
  readonly states: readonly string[]
  /** The first of them, as the complaint has it. */
  readonly complaint: Frame['complaint']
}

/**
 * In which states anything shows of what is planted, at once, while it is shaken, or after hours; none where it is never noticed.
 * @param first stop at the first of them
 */
export function symptomOf(circuit: Circuit, planted: readonly Fault[], first = false): Symptom {
  const states: string[] = []
  let complaint: Frame['complaint'] = []
  for (const shown of whatShows(circuit, planted)) {
    if (!states.length) complaint = [...shown.complaint]
    states.push(shown.state.id)
    if (first) break
  }
  return { states: [...new Set(states)], complaint }
}

/** How a size was found: it shows, or it breaks the circuit's limits, or neither at any size. */
export interface SizedAtPlace {
  readonly fault: Fault
  readonly by: 'symptom' | 'limit' | 'none'
}

/** Steps of a size, spaced by their ratio, over its whole range. */
const steps = 24

/**
 * A fault in the size in which it would be planted at its place: the usual one, where that shows; else the least that does,
 * and a little more, so that the customer is sure; else the least that breaks the limits of the circuit. Sizes that smoke or
 * blow what the usual size does not are no better, and are passed over while a gentler one shows.
 * @param others faults that stand beside it
 */
export function sizedAtPlace(circuit: Circuit, fault: Fault, others: readonly Fault[] = []): SizedAtPlace {
  const range = faultOfKind(fault.kind).severity
  const shows = (severity?: number): boolean =>
    symptomOf(circuit, [...others, severity === undefined ? fault : { ...fault, severity }], true).states
      .length > 0
  if (shows()) return { fault, by: 'symptom' }
  if (!range) return { fault, by: 'none' }
  const ratio = range.most / range.least
  const at = (share: number) => range.least * ratio ** share
  // From the usual size outward: what is nearest to it is the least unusual.
  const usual = Math.log((fault.severity ?? range.preset) / range.least) / Math.log(ratio)
  const shares = Array.from({ length: steps + 1 }, (_, i) => i / steps).sort(
    (p, q) => Math.abs(p - usual) - Math.abs(q - usual),
  )
  const found = shares.find((share) => shows(at(share)))
  if (found !== undefined) {
    let [out, within] = [usual, found]
    for (let n = 0; n < 6; n++) {
      const middle = (out + within) / 2
      if (shows(at(middle))) within = middle
      else out = middle
    }
    // A little past the edge, as long as it still shows: a size on the edge shows on one board and not on the next.
    const past = Math.min(1, Math.max(0, within + 0.25 * (found - usual > 0 ? 1 : -1) * (1 / steps)))
    return { fault: { ...fault, severity: round(at(shows(at(past)) ? past : within), range) }, by: 'symptom' }
  }
  const breaks = (share: number) => breaksLimit(circuit, [...others, { ...fault, severity: at(share) }])
  // What a size loses grows or falls over its range: where neither end nor the middle breaks a limit, none does.
  const broken = [0, 0.5, 1].some(breaks) ? shares.find(breaks) : undefined
  return broken === undefined
    ? { fault, by: 'none' }
    : { fault: { ...fault, severity: round(at(broken), range) }, by: 'limit' }
}

/** Whether a loss is over what the circuit's kind allows, in a state that a person can set. */
function breaksLimit(circuit: Circuit, planted: readonly Fault[]): boolean {
  const set = limitSetFor(circuit)
  return circuit.states.filter(settable).some((state) => {
    const key = stateKey(circuit, planted, state)
    return key.ok && key.balances.some((balance, i) => set.judge(balance, key.walks[i]!).passes === false)
  })
}

const round = (value: number, { least, most }: { readonly least: number; readonly most: number }) =>
  Math.min(most, Math.max(least, Number(value.toPrecision(2))))
