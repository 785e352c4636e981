import { type Words } from '../document'
import type { Balance, DropRow } from './key'

/** One piece on the way, and what is lost up to and with it. */
export interface LossStep {
  readonly part: string
  readonly segment: string
  readonly name: Words
  readonly from: string
  readonly to: string
  /** Volts lost in the piece itself; undefined where part of it floats. */
  readonly volts: number | undefined
  /** Volts lost from the battery’s post to its far end, and half the width in which that is expected. */
  readonly total: number | undefined
  readonly band: number
}

/** The same walk with what the load takes left out: each side from its post of the battery towards the load. */
export interface Losses {
  readonly feed: readonly LossStep[]
  readonly back: readonly LossStep[]
}

/** Both sides of a path; the pieces of the return in the order in which its losses add up, from the negative post on. */
export function lossesOf(drops: readonly DropRow[], balance: Balance): Losses {
  return {
    feed: climb(
      drops.filter(({ side }) => side === 'feed'),
      balance.feedLoss.band,
    ),
    back: climb(drops.filter(({ side }) => side === 'return').reverse(), balance.returnLoss.band),
  }
}

function climb(drops: readonly DropRow[], band: number): LossStep[] {
  let total: number | undefined = 0
  let width = 0
  // The whole side’s band is reckoned; on the way to it, it grows as the pieces’ own do.
  const whole = drops.reduce((sum, drop) => sum + drop.band, 0)
  return drops.map(({ part, segment, name, from, to, value, band: own }) => {
    total = total === undefined || value === undefined ? undefined : total + value
    width += own
    return {
      part,
      segment,
      name,
      from,
      to,
      volts: value,
      total,
      band: whole > 0 ? (band * width) / whole : 0,
    }
  })
}

/** Share of the source up to which losses are better seen by themselves than on the source’s scale. */
const small = 0.12

/** Whether the losses of a path are small against its source, so that on its scale they would be hairs. */
export const smallLosses = ({ source, feedLoss, returnLoss }: Balance): boolean =>
  Math.abs(feedLoss.value ?? Infinity) + Math.abs(returnLoss.value ?? Infinity) < small * Math.abs(source)
