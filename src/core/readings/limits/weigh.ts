import { type Message, say } from '../../document'
import type { Balance, DropRow } from '../key'
import type { LimitSet, LimitVerdict } from './limit-set'

/** One loss against what is allowed, volts. */
export interface Limit {
  readonly what: Message
  readonly loss: number
  readonly most: number
}

const volts = (value: number) => ({ value, unit: 'V' })

/** The verdict over several limits: what is most over, or, where all hold, what is nearest. */
export function weigh(limits: readonly Limit[], balance: Balance): LimitVerdict {
  if (!(balance.amps > 1e-3)) return { passes: null, reason: say('readings.noCurrent') }
  const [worst] = [...limits].sort((p, q) => q.loss / q.most - p.loss / p.most)
  if (!worst) return { passes: true, reason: say('readings.nothing') }
  const { what, loss, most } = worst
  const passes = !(loss > most)
  return {
    passes,
    reason: say(passes ? 'readings.within' : 'readings.over', { what, loss: volts(loss), most: volts(most) }),
  }
}

export const sides = (balance: Balance, feed: number, back: number): Limit[] => [
  { what: say('readings.feed'), loss: balance.feedLoss.value ?? 0, most: feed },
  { what: say('readings.return'), loss: balance.returnLoss.value ?? 0, most: back },
]

/** A set that judges each side by itself: what it allows is what it judges by, and what a drawing of the losses shows. */
export const bySides = (
  allows: NonNullable<LimitSet['allows']>,
): Pick<LimitSet, 'judge'> & Required<Pick<LimitSet, 'allows'>> => ({
  allows,
  judge: (balance) => weigh(sides(balance, ...allows(balance)), balance),
})

export const perPiece = (drops: readonly DropRow[], most: number): Limit[] =>
  drops.map((drop) => ({
    what: say('readings.piece', { from: drop.from, to: drop.to }),
    loss: Math.abs(drop.value ?? 0),
    most,
  }))
