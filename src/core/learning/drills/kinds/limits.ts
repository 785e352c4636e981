import { messageOf, say, type Code } from '../../../document'
import type { Fault } from '../../../faults'
import { formatQuantity } from '../../../quantity'
import { limitSets, stateKey } from '../../../readings'
import { faultsOn, isOhmic } from '../faults'
import { defineDrill } from '../kind'
import { drawRunning } from '../points'

/** Share of a limit within which nobody should be asked: a meter's last digit would decide. */
const clear = 0.1
const verdicts = ['within', 'feed', 'return', 'both'] as const
const words: Readonly<Record<(typeof verdicts)[number], Code>> = {
  within: 'learning.drills.limits.within',
  feed: 'learning.drills.limits.feed',
  return: 'learning.drills.limits.return',
  both: 'learning.drills.limits.both',
}

export const limits = defineDrill({
  key: 'limits',
  title: 'learning.drills.limits.title',
  skill: 'drops',
  alike: true,
  make: (bench, draw) => {
    const drawn = drawRunning(bench, draw)
    const set = draw.one(limitSets.filter(({ allows }) => allows))
    if (!drawn || !set?.allows) return undefined
    const { walk, state } = drawn
    const base = draw.one(faultsOn(bench, walk.strides, isOhmic))
    if (!base) return undefined
    const planted: Fault[] =
      draw.next() < 0.3 ? [] : [{ ...base, severity: draw.one([0.05, 0.1, 0.2, 0.5])! }]
    const key = stateKey(bench.circuit, planted, state)
    const balance = key.ok ? key.balances.find(({ path }) => path === walk.path.id) : undefined
    if (!balance) return undefined
    const [feed, back] = [balance.feedLoss.value, balance.returnLoss.value]
    if (feed === undefined || back === undefined || Math.abs(balance.amps) < 0.05) return undefined
    const [mostFeed, mostBack] = set.allows(balance)
    if (Math.abs(feed - mostFeed) < clear * mostFeed || Math.abs(back - mostBack) < clear * mostBack)
      return undefined
    const is = feed > mostFeed ? (back > mostBack ? 'both' : 'feed') : back > mostBack ? 'return' : 'within'
    const volts = (value: number) => ({ shown: formatQuantity(value, 'V') })
    return {
      state: state.id,
      detached: state.detached,
      given: [
        say('learning.drills.limits.losses', {
          feed: volts(feed),
          back: volts(back),
          amps: { value: Number(Math.abs(balance.amps).toPrecision(3)), unit: 'A' },
          load: walk.load!,
        }),
      ],
      asks: say('learning.drills.limits.asks', { set: messageOf(set.title) }),
      answer: {
        type: 'choice',
        options: verdicts.map((one) => ({ says: say(words[one]), right: one === is })),
      },
      why: say('learning.drills.limits.why', {
        feed: volts(feed),
        back: volts(back),
        mostFeed: volts(mostFeed),
        mostBack: volts(mostBack),
      }),
      difficulty: -0.5,
    }
  },
})
