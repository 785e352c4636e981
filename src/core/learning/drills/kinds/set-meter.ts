import { say, type Code } from '../../../document'
import type { MisbeliefKey } from '../../misbeliefs/registry'
import { defineDrill } from '../kind'
import { drawRunning } from '../points'

/** A way to set and hold a meter, and the wrong idea of whoever takes it for something else. */
const ways = {
  voltsAcross: { says: 'learning.drills.setMeter.voltsAcross' },
  voltsOff: { says: 'learning.drills.setMeter.voltsOff', misbelief: 'noDropIsGood' },
  ohmsOn: { says: 'learning.drills.setMeter.ohmsOn', misbelief: 'ohmsOnLive' },
  ohmsOut: { says: 'learning.drills.setMeter.ohmsOut', misbelief: 'ohmsProveWire' },
  ampsSeries: { says: 'learning.drills.setMeter.ampsSeries' },
  ampsSmall: { says: 'learning.drills.setMeter.ampsSmall' },
  ampsAcross: { says: 'learning.drills.setMeter.ampsAcross', misbelief: 'ampsAcross' },
  clampOne: { says: 'learning.drills.setMeter.clampOne' },
  clampBoth: { says: 'learning.drills.setMeter.clampBoth', misbelief: 'jawsRoundAll' },
} as const satisfies Record<string, { says: Code; misbelief?: MisbeliefKey }>
type Way = keyof typeof ways
const wayOf = (way: Way): { says: Code; misbelief?: MisbeliefKey } => ways[way]

interface Purpose {
  readonly asks: Code
  readonly right: Way
  readonly wrong: readonly Way[]
  readonly why: Code
  /** Amps of the load for which it is asked. */
  readonly fits: (amps: number, jacks: { readonly A: number; readonly mA: number }) => boolean
}
/** Of a jack's fuse, what may flow: below it nobody argues. */
const safe = 0.8
const purposes: readonly Purpose[] = [
  {
    asks: 'learning.drills.setMeter.drop',
    right: 'voltsAcross',
    wrong: ['voltsOff', 'ohmsOut', 'ohmsOn', 'ampsAcross'],
    why: 'learning.drills.setMeter.dropWhy',
    fits: (amps) => amps > 0.5,
  },
  {
    asks: 'learning.drills.setMeter.amps',
    right: 'ampsSeries',
    wrong: ['ampsSmall', 'ampsAcross', 'clampBoth', 'voltsAcross'],
    why: 'learning.drills.setMeter.ampsWhy',
    fits: (amps, { A, mA }) => amps > 2 * mA && amps < safe * A,
  },
  {
    asks: 'learning.drills.setMeter.manyAmps',
    right: 'clampOne',
    wrong: ['ampsSeries', 'ampsSmall', 'ampsAcross', 'clampBoth'],
    why: 'learning.drills.setMeter.manyAmpsWhy',
    fits: (amps, { A }) => amps > 1.3 * A,
  },
  {
    asks: 'learning.drills.setMeter.ohms',
    right: 'ohmsOut',
    wrong: ['ohmsOn', 'voltsAcross', 'ampsAcross'],
    why: 'learning.drills.setMeter.ohmsWhy',
    fits: (amps) => amps > 0.02,
  },
]

export const setMeter = defineDrill({
  key: 'setMeter',
  title: 'learning.drills.setMeter.title',
  skill: 'meter',
  make: (bench, draw) => {
    const drawn = drawRunning(bench, draw)
    if (!drawn) return undefined
    const { walk, state } = drawn
    const amps = bench.ampsOf(bench.board(state)!, walk)
    const { A, mA } = bench.meter.jacks
    const purpose = draw.one(purposes.filter(({ fits }) => fits(amps, { A: A.fuse, mA: mA.fuse })))
    if (!purpose) return undefined
    return {
      state: state.id,
      detached: state.detached,
      given: [
        say('learning.drills.setMeter.given', {
          load: walk.load!,
          amps: { value: Number(amps.toPrecision(2)), unit: 'A' },
          fuse: { value: A.fuse, unit: 'A' },
          small: { value: mA.fuse, unit: 'A' },
        }),
      ],
      asks: say(purpose.asks, { load: walk.load! }),
      answer: {
        type: 'choice',
        options: draw.shuffled(
          [purpose.right, ...draw.shuffled(purpose.wrong).slice(0, 3)].map((way) => {
            const { says, misbelief } = wayOf(way)
            return {
              says: say(says, { load: walk.load! }),
              right: way === purpose.right,
              ...(way !== purpose.right && misbelief && { misbelief }),
            }
          }),
        ),
      },
      why: say(purpose.why),
      difficulty: purpose.right === 'clampOne' ? 0.2 : -0.4,
    }
  },
})
