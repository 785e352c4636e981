import { arrangementOf, stateOf, type Arrangement } from '../../attempt'
import { settable } from '../../circuit'
import { instruments, locate, settingsOf, type Held, type InstrumentKey } from '../../instruments'
import type { TestSetup } from '../evidence/fact'
import type { Predictor } from '../posterior/predictor'

/** A test that somebody could do: with an instrument of the bag, at points that leads reach, in a state that can be set. */
export interface Candidate {
  readonly setup: TestSetup
  readonly held: Held
  readonly arrangement: Arrangement
  /** The state by its own name. */
  readonly state: string
}

/** All candidates of one state. */
export type InState = readonly [Candidate, ...Candidate[]]

const listed = new WeakMap<Predictor, Map<string, readonly InState[]>>()

/** Every test that is weighed on a circuit with a bag, in the states that its instructor named. */
export const candidatesOf = (predictor: Predictor, bag: readonly InstrumentKey[]): readonly Candidate[] =>
  candidatesByState(predictor, bag).flat()

/** The same, state by state; the lists are the same whenever they are asked for. */
export function candidatesByState(predictor: Predictor, bag: readonly InstrumentKey[]): readonly InState[] {
  let byBag = listed.get(predictor)
  if (!byBag) listed.set(predictor, (byBag = new Map()))
  const key = bag.join()
  const known = byBag.get(key)
  if (known) return known
  const { circuit, wiring } = predictor
  const weighed = instruments.filter((i) => i.guess && bag.includes(i.key))
  const places = weighed.flatMap((instrument) =>
    instrument.places(circuit, wiring).flatMap((held) => {
      const located = locate(circuit, wiring, held)
      return located.ok ? [{ instrument, held: located.held, place: located.place }] : []
    }),
  )
  const found = circuit.states.filter(settable).flatMap((state) => {
    const arrangement = arrangementOf(state)
    const set = stateOf(arrangement)
    const [one, ...others] = places.map(({ instrument, held, place }): Candidate => ({
      arrangement,
      held,
      state: state.name,
      setup: { state: set, instrument: instrument.key, settings: settingsOf(instrument), place },
    }))
    return one ? [[one, ...others] as const] : []
  })
  byBag.set(key, found)
  return found
}
