import {
  withConnected,
  instrumentOf,
  settingsOf,
  type InstrumentKey,
  type Place,
  type Reading,
} from '../../../instruments'
import type { CircuitState } from '../../../circuit'
import type { Walk } from '../../../model'
import type { DrillBench } from '../bench'
import { minusOf, plusOf, sideOf } from '../points'

/** What an instrument shows and does where it is held; undefined where there is no answer. */
export function readOn(
  bench: DrillBench,
  state: CircuitState,
  instrument: InstrumentKey,
  place: Place,
  settings: Readonly<Record<string, string>> = {},
): Reading | undefined {
  const solved = bench.board(state)
  const board = solved && withConnected(solved, [], bench.meter)
  if (!board?.ok) return undefined
  const one = instrumentOf(instrument)
  return one.read({ solved: board, place, settings: settingsOf(one, settings), meter: bench.meter })
}

/** Both ends of a walk's load, as two leads meet them; undefined where leads do not reach them. */
export function acrossLoad(walk: Walk): Place | undefined {
  const load = sideOf(walk, 'load')
  const [red, black] = [load[0]?.from, load.at(-1)?.to]
  if (!red || !black || red.inside || black.inside) return undefined
  return { type: 'leads', red: red.node, black: black.node }
}

/** The battery's posts, as two leads meet them. */
export const acrossPosts = (walk: Walk): Place => ({
  type: 'leads',
  red: plusOf(walk).node,
  black: minusOf(walk).node,
})

/** What comes of it. */
export type Outcome = 'meterFuse' | 'circuitFuse' | 'meaningless' | 'nothing'
export function outcomeOf({ did, signs }: Reading): Outcome | 'several' {
  const found: Outcome[] = []
  if (did.meterFuse) found.push('meterFuse')
  if (did.blown.length) found.push('circuitFuse')
  if (signs.some(({ code }) => code === 'instruments.live')) found.push('meaningless')
  return found.length > 1 ? 'several' : (found[0] ?? 'nothing')
}
