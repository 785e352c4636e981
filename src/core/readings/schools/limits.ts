import { formatQuantity } from '../../quantity'
import type { Balance, DropRow } from '../key'
import type { School, Verdict } from './school'

const volts = (value: number) => formatQuantity(value, 'V')

interface Limit {
  readonly what: string
  readonly loss: number
  readonly most: number
}

function weigh(limits: readonly Limit[], balance: Balance): Verdict {
  if (!(balance.amps > 1e-3)) return { passes: null, reason: 'no verdict: no current flows' }
  const over = limits.filter((l) => l.loss > l.most).sort((p, q) => q.loss / q.most - p.loss / p.most)[0]
  if (over)
    return { passes: false, reason: `${over.what} loses ${volts(over.loss)}, over ${volts(over.most)}` }
  const nearest = [...limits].sort((p, q) => q.loss / q.most - p.loss / p.most)[0]
  return {
    passes: true,
    reason: nearest
      ? `${nearest.what} loses ${volts(nearest.loss)}, within ${volts(nearest.most)}`
      : 'Nothing to judge',
  }
}

const sides = (balance: Balance, feed: number, back: number): Limit[] => [
  { what: 'Feed', loss: balance.feedLoss.value ?? 0, most: feed },
  { what: 'Return', loss: balance.returnLoss.value ?? 0, most: back },
]

const perWire = (drops: readonly DropRow[], most: number): Limit[] =>
  drops
    .filter((drop) => drop.side === 'feed' || drop.side === 'return')
    .map((drop) => ({ what: `${drop.from} to ${drop.to}`, loss: Math.abs(drop.value ?? 0), most }))

/** Every school. The first is the default. A new one is its line here. */
export const schools: readonly School[] = [
  {
    id: 'feed-0.3-return-0.2',
    title: '0.3 V feed, 0.2 V return',
    why: 'The default: it judges both sides under load, and is strict where most faults sit, in the return.',
    judge: (balance) => weigh(sides(balance, 0.3, 0.2), balance),
  },
  {
    id: 'flat-0.3',
    title: '0.3 V each side',
    why: 'One figure to remember for either side.',
    judge: (balance) => weigh(sides(balance, 0.3, 0.3), balance),
  },
  {
    id: 'wire-0.2',
    title: '0.2 V per piece',
    why: 'Finds a single bad joint even where the whole side still passes.',
    judge: (balance, drops) => weigh(perWire(drops, 0.2), balance),
  },
  {
    id: 'three-percent',
    title: '3 % of the source per side',
    why: 'Scales with the system: fits 24 V as well as 12 V.',
    judge: (balance) => weigh(sides(balance, 0.03 * balance.source, 0.03 * balance.source), balance),
  },
  {
    id: 'pump',
    title: '0.5 V per side, 1.0 V in all',
    why: 'For motors and pumps, which live with a little less.',
    judge: (balance) =>
      weigh(
        [
          ...sides(balance, 0.5, 0.5),
          {
            what: 'Feed and return together',
            loss: (balance.feedLoss.value ?? 0) + (balance.returnLoss.value ?? 0),
            most: 1,
          },
        ],
        balance,
      ),
  },
  {
    id: 'light-heavy',
    title: '0.5 V light, 1.0 V heavy circuits',
    why: 'Per side: what draws 20 A and more is allowed twice as much.',
    judge: (balance) => {
      const most = Math.abs(balance.amps) < 20 ? 0.5 : 1
      return weigh(sides(balance, most, most), balance)
    },
  },
  {
    id: 'post-clamp',
    title: '0.5 V post to clamp',
    why: 'For starting complaints: it judges the battery’s own joints and nothing else.',
    judge: (balance, drops) =>
      weigh(
        drops
          .filter((drop) => drop.segment.startsWith('clamp'))
          .map((drop) => ({
            what: `${drop.from} to ${drop.to}`,
            loss: Math.abs(drop.value ?? 0),
            most: 0.5,
          })),
        balance,
      ),
  },
]

export const schoolOf = (id: string): School => schools.find((school) => school.id === id) ?? schools[0]!
