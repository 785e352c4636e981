import { allowanceOf } from '../../../assessment'
import { say, type Message } from '../../../document'
import { formatQuantity } from '../../../quantity'
import { defineDrill } from '../kind'
import { drawOnSide, minusOf, plusOf, reachable } from '../points'
import type { Lure } from '../item'

export const predict = defineDrill({
  key: 'predict',
  title: 'learning.drills.predict.title',
  skill: 'prediction',
  make: (bench, draw) => {
    const walk = draw.one(bench.walks)
    const state = draw.one(bench.states)
    const board = state && bench.board(state)
    if (!walk || !state || !board) return undefined
    const drop = draw.next() < 0.5
    const side = drop ? drawOnSide(walk, draw) : undefined
    const [red, black] = side ?? [draw.one(reachable(walk))!, minusOf(walk)]
    if (red.node === black.node) return undefined
    const { value, floating } = bench.volts(board, red, black)
    if (value === undefined || floating) return undefined
    const { right, near } = allowanceOf('V', value)
    const source = Math.abs(board.volts(plusOf(walk).node, minusOf(walk).node) ?? 0)
    const flows = bench.flows(board, walk)
    const amps = bench.ampsOf(board, walk)
    const whole = Math.abs(value) > 0.85 * source
    const lures: Lure[] = side
      ? whole
        ? [{ value: 0, within: 0.15 * source, misbelief: 'openReadsNothing' }]
        : [
            { value: source, within: 0.15 * source, misbelief: 'oneSideReadsSource' },
            { value: source / 2, within: 0.3 * source, misbelief: 'equalShares' },
          ]
      : whole && !flows
        ? [{ value: 0, within: 0.15 * source, misbelief: 'offMeansNoVolts' }]
        : []
    const shown = { shown: formatQuantity(value, 'V') }
    const why: Message = side
      ? whole
        ? say('learning.drills.predict.open', { value: shown })
        : flows
          ? say('learning.drills.predict.drop', { value: shown, amps: { value: amps, unit: 'A' } })
          : say('learning.drills.predict.still', { value: shown })
      : flows
        ? say('learning.drills.predict.flowing', { value: shown, amps: { value: amps, unit: 'A' } })
        : say('learning.drills.predict.idle', { value: shown })
    return {
      state: state.id,
      detached: state.detached,
      leads: [red.name, black.name],
      given: [],
      asks: say('learning.drills.predict.asks', { red: red.name, black: black.name, state: state.name }),
      answer: { type: 'value', unit: 'V', value, within: right, near, lures },
      why,
      difficulty: side ? (whole ? 0 : flows ? -0.2 : -0.6) : flows ? -0.8 : -0.4,
    }
  },
})
