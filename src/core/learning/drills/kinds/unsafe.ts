import { say, type Code } from '../../../document'
import type { InstrumentKey, Place } from '../../../instruments'
import type { Walk } from '../../../model'
import { defineDrill } from '../kind'
import { drawRunning } from '../points'
import { acrossLoad, acrossPosts, outcomeOf, readOn, type Outcome } from './acts'

interface Act {
  readonly says: Code
  readonly instrument: InstrumentKey
  readonly settings?: Readonly<Record<string, string>>
  readonly place: (walk: Walk) => Place | undefined
}
const acts: readonly Act[] = [
  { says: 'learning.drills.unsafe.ohmsOn', instrument: 'ohms', place: acrossLoad },
  { says: 'learning.drills.unsafe.beepOn', instrument: 'continuity', place: acrossLoad },
  { says: 'learning.drills.unsafe.ampsPosts', instrument: 'amps', place: acrossPosts },
  { says: 'learning.drills.unsafe.ampsLoad', instrument: 'amps', place: acrossLoad },
  {
    says: 'learning.drills.unsafe.ampsJack',
    instrument: 'volts',
    settings: { jack: 'amps' },
    place: acrossLoad,
  },
  { says: 'learning.drills.unsafe.voltsLoad', instrument: 'volts', place: acrossLoad },
  { says: 'learning.drills.unsafe.lampPosts', instrument: 'testLamp', place: acrossPosts },
]
const outcomes = ['meterFuse', 'circuitFuse', 'meaningless', 'nothing'] as const
const words: Readonly<Record<Outcome, { readonly says: Code; readonly why: Code }>> = {
  meterFuse: { says: 'learning.drills.unsafe.meterFuse', why: 'learning.drills.unsafe.meterFuseWhy' },
  circuitFuse: { says: 'learning.drills.unsafe.circuitFuse', why: 'learning.drills.unsafe.circuitFuseWhy' },
  meaningless: { says: 'learning.drills.unsafe.meaningless', why: 'learning.drills.unsafe.meaninglessWhy' },
  nothing: { says: 'learning.drills.unsafe.nothing', why: 'learning.drills.unsafe.nothingWhy' },
}

export const unsafe = defineDrill({
  key: 'unsafe',
  title: 'learning.drills.unsafe.title',
  skill: 'safety',
  make: (bench, draw) => {
    const drawn = drawRunning(bench, draw)
    if (!drawn) return undefined
    const { walk, state } = drawn
    const act = draw.one(acts)!
    const place = act.place(walk)
    const read = place && readOn(bench, state, act.instrument, place, act.settings)
    const is = read && outcomeOf(read)
    if (!is || is === 'several') return undefined
    return {
      state: state.id,
      detached: state.detached,
      given: [],
      asks: say('learning.drills.unsafe.asks', {
        act: say(act.says, { load: walk.load! }),
        state: state.name,
      }),
      answer: {
        type: 'choice',
        options: outcomes.map((one) => ({
          says: say(words[one].says),
          right: one === is,
          ...(one === 'nothing' &&
            (is === 'meterFuse' || is === 'circuitFuse') &&
            act.instrument === 'amps' && { misbelief: 'ampsAcross' as const }),
          ...(one === 'nothing' && is === 'meaningless' && { misbelief: 'ohmsOnLive' as const }),
        })),
      },
      why: say(words[is].why),
      difficulty: is === 'nothing' ? -0.2 : -0.7,
    }
  },
})
