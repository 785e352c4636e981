import { stateOf, type BenchState, type StepOf } from '../attempt'
import type { Predictor, TestSetup } from '../diagnosis'
import { locate, type Connected } from '../instruments'
import { conditionsOf } from './first'

/** A stored test as the predictor asks it; undefined where its places are none of this circuit. */
export function setupOf(
  predictor: Predictor,
  bench: BenchState,
  step: Pick<StepOf<'test'>, 'instrument' | 'settings' | 'held' | 'also' | 'arrangement'>,
): TestSetup | undefined {
  const { circuit, wiring } = predictor
  const connected = [step, ...step.also].flatMap(({ instrument, settings, held }): Connected[] => {
    const located = locate(circuit, wiring, held)
    return located.ok ? [{ instrument, settings, place: located.place }] : []
  })
  const [reader, ...also] = connected
  if (!reader || connected.length <= step.also.length) return undefined
  return { ...reader, also, state: stateOf(step.arrangement), conditions: conditionsOf(bench) }
}

/** The spare is looked at before it is trusted: that tells nothing of the circuit, and is well done. */
export const isOfSpare = ({ place }: TestSetup): boolean => place.type === 'hand' && place.spare
