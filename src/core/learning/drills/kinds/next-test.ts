import { instrumentMinutes } from '../../../attempt'
import { Belief, candidatesOf, expectedBits } from '../../../diagnosis'
import { say, messageOf } from '../../../document'
import { instrumentOf, type Held } from '../../../instruments'
import { drawPieces, isOhmic } from '../faults'
import { defineDrill } from '../kind'
import { drawRunning } from '../points'

const bag = ['volts', 'testLamp', 'clamp'] as const
/** Tests that are weighed to find four that make a question. */
const weighed = 14
/** Of these, so many with what loads the circuit: each has boards of its own to solve. */
const mostLoading = 3
/** Of the best: from here a test counts as right, and up to here one is offered as wrong. */
const [asGood, worse] = [0.9, 0.6] as const
/** Bits that the best has to tell: four pieces are two bits. */
const leastBits = 0.5

const heldWords = (held: Held): string =>
  held.type === 'leads'
    ? `${held.red} – ${held.black}`
    : held.type === 'jaws'
      ? held.round.join(' + ')
      : 'part' in held
        ? held.part
        : ''

export const nextTest = defineDrill({
  key: 'nextTest',
  title: 'learning.drills.nextTest.title',
  skill: 'inference',
  alike: true,
  make: (bench, draw) => {
    const drawn = drawRunning(bench, draw)
    if (!drawn) return undefined
    const { walk, state } = drawn
    const { predictor, circuit } = bench
    const some = drawPieces(bench, walk, draw, isOhmic)
    if (!some) return undefined
    const { pieces } = some
    const belief = Belief.of(predictor, some.asked)
    let loading = 0
    const tests = draw
      .shuffled(candidatesOf(predictor, bag).filter((one) => one.state === state.name))
      .filter(({ setup }) => setup.instrument !== 'testLamp' || ++loading <= mostLoading)
      .slice(0, weighed)
      .map(({ setup, held, arrangement }) => {
        const bits = expectedBits(belief, setup)
        const { minutes } = instrumentMinutes(
          circuit,
          { reached: [], out: [] },
          { instrument: setup.instrument, held, also: [], arrangement },
        )
        return { held, setup, bits, minutes, worth: bits / minutes }
      })
      .sort((p, q) => q.worth - p.worth)
    const [best] = tests
    if (!best || best.bits < leastBits || tests[1]!.worth > asGood * best.worth) return undefined
    const wrong = draw.shuffled(tests.filter(({ worth }) => worth <= worse * best.worth)).slice(0, 3)
    if (wrong.length < 3) return undefined
    const says = ({ held, setup }: (typeof tests)[number]) =>
      say('learning.drills.nextTest.test', {
        instrument: messageOf(instrumentOf(setup.instrument).title),
        place: heldWords(held),
      })
    const told = ({ bits, minutes }: (typeof tests)[number]) => ({
      bits: Math.round(10 * bits) / 10,
      minutes: Math.round(10 * minutes) / 10,
    })
    return {
      state: state.id,
      detached: state.detached,
      given: [say('learning.drills.nextTest.given', { pieces, state: state.name })],
      asks: say('learning.drills.nextTest.asks'),
      answer: {
        type: 'choice',
        options: draw.shuffled([
          { says: says(best), right: true },
          ...wrong.map((one) => ({
            says: says(one),
            right: false,
            why: say('learning.drills.nextTest.but', told(one)),
          })),
        ]),
      },
      why: say('learning.drills.nextTest.why', told(best)),
      difficulty: 0.9,
    }
  },
})
