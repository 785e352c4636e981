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

const listed = new WeakMap<Predictor, Map<string, readonly Candidate[]>>()

/** Every test that is weighed on a circuit with a bag, in the states that its instructor named. */
export function candidatesOf(predictor: Predictor, bag: readonly InstrumentKey[]): readonly Candidate[] {
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
    return places.map(({ instrument, held, place }): Candidate => ({
      arrangement,
      held,
      state: state.name,
      setup: { state: set, instrument: instrument.key, settings: settingsOf(instrument), place },
    }))
  })
  byBag.set(key, found)
  return found
}
