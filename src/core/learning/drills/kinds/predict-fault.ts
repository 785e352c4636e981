import { allowanceOf } from '../../../assessment'
import { say } from '../../../document'
import { describeFault, type Fault } from '../../../faults'
import { formatQuantity } from '../../../quantity'
import { faultsOn, isOhmic, isOpen } from '../faults'
import { defineDrill } from '../kind'
import { drawOnSide, drawRunning, minusOf, plusOf, reachable } from '../points'

/** V by which two readings have to differ so that nobody argues about the direction. */
const differs = 0.1
const ohms = [0.5, 1, 2, 5] as const

export const predictFault = defineDrill({
  key: 'predictFault',
  title: 'learning.drills.predictFault.title',
  skill: 'drops',
  make: (bench, draw) => {
    const drawn = drawRunning(bench, draw)
    if (!drawn) return undefined
    const { walk, state } = drawn
    const open = draw.next() < 0.3
    const base = draw.one(faultsOn(bench, walk.strides, open ? isOpen : isOhmic))
    if (!base) return undefined
    const fault: Fault = open ? base : { ...base, severity: draw.one(ohms)! }
    const good = bench.board(state)
    const bad = bench.board(state, [fault])
    if (!good || !bad) return undefined
    const side = draw.next() < 0.5 ? drawOnSide(walk, draw) : undefined
    const [red, black] = side ?? [draw.one(reachable(walk))!, minusOf(walk)]
    if (red.node === black.node) return undefined
    const [was, now] = [good, bad].map((board) => bench.volts(board, red, black)) as [
      ReturnType<typeof bench.volts>,
      ReturnType<typeof bench.volts>,
    ]
    if (was.value === undefined || now.value === undefined || was.floating || now.floating) return undefined
    const by = now.value - was.value
    // Too little to call, and too much to call nothing.
    if (Math.abs(by) > 0.02 && Math.abs(by) < differs) return undefined
    const { right, near } = allowanceOf('V', now.value)
    const source = Math.abs(good.volts(plusOf(walk).node, minusOf(walk).node) ?? 0)
    const direction = Math.abs(by) < differs ? 'same' : by > 0 ? 'higher' : 'lower'
    return {
      state: state.id,
      detached: state.detached,
      leads: [red.name, black.name],
      given: [
        say('learning.drills.predictFault.good', {
          red: red.name,
          black: black.name,
          state: state.name,
          value: { shown: was.text },
        }),
      ],
      asks: say('learning.drills.predictFault.asks', { fault: describeFault(bench.circuit, fault) }),
      answer: {
        type: 'value',
        unit: 'V',
        value: now.value,
        within: right,
        near,
        direction,
        lures:
          open && side && Math.abs(now.value) > 0.85 * source
            ? [{ value: 0, within: 0.15 * source, misbelief: 'openReadsNothing' }]
            : [],
      },
      why: say('learning.drills.predictFault.why', {
        value: { shown: formatQuantity(now.value, 'V') },
        amps: { value: round(bench.ampsOf(bad, walk)), unit: 'A' },
        usual: { value: round(bench.ampsOf(good, walk)), unit: 'A' },
      }),
      difficulty: open ? 0.2 : direction === 'same' ? 0.4 : 0.8,
    }
  },
})

const round = (value: number): number => Number(value.toPrecision(3))
