import type { SolvedBoard } from '../../../board'
import { say } from '../../../document'
import type { Fault } from '../../../faults'
import { faultsOn, isOfLoad, isOhmic, isOpen } from '../faults'
import { defineDrill } from '../kind'
import { drawRunning, minusOf, plusOf, sideOf } from '../points'

const sides = ['feed', 'load', 'return'] as const
/** V that a side has to lose beside the good circuit's so that nobody argues, and V that it may. */
const [loses, keeps] = [0.5, 0.15] as const

export const whichSide = defineDrill({
  key: 'whichSide',
  title: 'learning.drills.whichSide.title',
  skill: 'drops',
  make: (bench, draw) => {
    const drawn = drawRunning(bench, draw)
    if (!drawn) return undefined
    const { walk, state } = drawn
    const good = bench.board(state)!
    const is = draw.one(sides)!
    const fits = is === 'load' ? isOfLoad : (one: Fault) => isOhmic(one) || isOpen(one)
    const base = draw.one(faultsOn(bench, sideOf(walk, is), fits))
    if (!base) return undefined
    const fault: Fault = isOhmic(base) ? { ...base, severity: draw.one([1, 2, 3])! } : base
    const load = sideOf(walk, 'load')
    const [before, after] = [load[0]?.from, load.at(-1)?.to]
    if (!before || !after || before.inside || after.inside) return undefined
    const lost = (board: SolvedBoard) => [
      bench.volts(board, plusOf(walk), before),
      bench.volts(board, after, minusOf(walk)),
    ]
    const usual = lost(good)
    /** What a board loses on either side, where that alone says which of the three it is. */
    const tells = (bad: SolvedBoard) => {
      const now = lost(bad)
      if ([...usual, ...now].some(({ value, floating }) => value === undefined || floating)) return undefined
      const [feed, back] = now.map(({ value }, i) => value! - usual[i]!.value!) as [number, number]
      // The load's fault has to show, too: it is what does not work.
      const told =
        is === 'feed'
          ? feed > loses && back < keeps
          : is === 'return'
            ? back > loses && feed < keeps
            : Math.abs(feed) < keeps &&
              Math.abs(back) < keeps &&
              Math.abs(bench.ampsOf(bad, walk) - bench.ampsOf(good, walk)) >= 0.1
      return told ? now : undefined
    }
    // Most draws fail here, and a first look takes a fraction of the time.
    const seen = bench.glance(state, fault)
    if (!seen || !tells(seen)) return undefined
    const bad = bench.board(state, [fault])
    const now = bad && tells(bad)
    if (!now) return undefined
    const source = bench.volts(bad, plusOf(walk), minusOf(walk))
    return {
      state: state.id,
      detached: state.detached,
      leads: [before.name, after.name],
      given: [
        say('learning.drills.whichSide.complaint', { load: walk.load!, state: state.name }),
        say('learning.drills.whichSide.source', { value: { shown: source.text } }),
        say('learning.drills.whichSide.feed', {
          from: plusOf(walk).name,
          to: before.name,
          value: { shown: now[0]!.text },
        }),
        say('learning.drills.whichSide.return', {
          from: after.name,
          to: minusOf(walk).name,
          value: { shown: now[1]!.text },
        }),
      ],
      asks: say('learning.drills.whichSide.asks'),
      answer: {
        type: 'choice',
        options: sides.map((side) => ({
          says: say(`learning.drills.whichSide.is.${side}`),
          right: side === is,
          ...(side === 'load' &&
            is !== 'load' && { misbelief: is === 'return' ? 'feedIsEnough' : 'deadPartIsBad' }),
        })),
      },
      why: say(`learning.drills.whichSide.why.${is}`, {
        feed: { shown: now[0]!.text },
        back: { shown: now[1]!.text },
      }),
      difficulty: is === 'load' ? 0.3 : -0.4,
    }
  },
})
