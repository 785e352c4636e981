import { Belief, type Measured } from '../../../diagnosis'
import { say, verbatim } from '../../../document'
import { describeFault, type Fault } from '../../../faults'
import { instrumentOf, locate, settingsOf } from '../../../instruments'
import { drawPieces, isOhmic, isOpen } from '../faults'
import { defineDrill } from '../kind'
import type { Option } from '../item'
import { drawOnSide, drawRunning, minusOf, reachable } from '../points'

/** Pieces that are looked at to find four that make a question. */
const mostPieces = 5
/** V at the load's current from which a resistance is one that matters: the lower of the trade's usual limits (common practice, no source). */
const matters = 0.15

export const clears = defineDrill({
  key: 'clears',
  title: 'learning.drills.clears.title',
  skill: 'inference',
  alike: true,
  make: (bench, draw) => {
    const drawn = drawRunning(bench, draw)
    if (!drawn) return undefined
    const { walk, state } = drawn
    const { predictor, circuit } = bench
    const amps = bench.ampsOf(bench.board(state)!, walk)
    const fits = (fault: Fault) => isOhmic(fault) || isOpen(fault)
    const some = drawPieces(bench, walk, draw, fits, mostPieces)
    if (!some) return undefined
    const { pieces, asked } = some
    const planted = draw.one(asked)?.fault
    const board = planted && bench.board(state, [planted])
    if (!board) return undefined
    const side = draw.next() < 0.6 ? drawOnSide(walk, draw) : undefined
    const [red, black] = side ?? [draw.one(reachable(walk))!, minusOf(walk)]
    const shown = bench.volts(board, red, black)
    const located = locate(circuit, predictor.wiring, { type: 'leads', red: red.name, black: black.name })
    if (shown.value === undefined || shown.floating || !located.ok) return undefined
    const fact: Measured = {
      type: 'measured',
      setup: {
        state,
        instrument: 'volts',
        settings: settingsOf(instrumentOf('volts')),
        place: located.place,
      },
      value: shown.value,
      meaningless: false,
    }
    const belief = Belief.of(predictor, asked).with(fact)
    const cleared = pieces.filter((piece) => belief.doubt(piece) === 0)
    const doubted = pieces.flatMap((piece) => {
      const example = belief.doubt(piece) > 0 ? belief.example(piece) : undefined
      const lost = (example?.severity ?? Infinity) * amps
      return example && lost >= matters ? [{ piece, example }] : []
    })
    const right = draw.one(cleared)
    if (right === undefined || doubted.length < 3) return undefined
    const options: Option[] = draw.shuffled([
      { says: verbatim(right), right: true },
      ...draw
        .shuffled(doubted)
        .slice(0, 3)
        .map(({ piece, example }) => ({
          says: verbatim(piece),
          right: false,
          why: say('learning.drills.clears.but', { fault: describeFault(circuit, example) }),
        })),
    ])
    return {
      state: state.id,
      detached: state.detached,
      leads: [red.name, black.name],
      given: [
        say('learning.drills.clears.given', {
          red: red.name,
          black: black.name,
          state: state.name,
          value: { shown: shown.text },
        }),
      ],
      asks: say('learning.drills.clears.asks'),
      answer: { type: 'choice', options },
      why: say('learning.drills.clears.why', { piece: right, value: { shown: shown.text } }),
      difficulty: 0.6,
    }
  },
})
