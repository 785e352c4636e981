import { type Message, say } from '../document'
import { fuseColdOhms, type FuseType } from '../parts'
import { accuracy, autorange, type MeterType } from './meter'

/** What millivolts across a fuse say about its amps. */
export interface FuseAmps {
  /** By the cold-resistance table, as the trade reads it. */
  readonly tableAmps: number
  readonly least: number
  readonly most: number
  /** The table may be trusted for this; if not, `why` says what spoils it. */
  readonly honest: boolean
  readonly why: Message | undefined
}

/** Fuses of one rating differ by as much as this (common practice, no source). */
const spread = 0.15
/** Up to this share of its rating a fuse is cold enough for the table: it has warmed by a tenth there. */
const coldUpTo = 0.5

/**
 * Amps for the millivolts across a fuse. The table is one number, cold ohms by body and rating; it holds while the fuse
 * is cold and while the meter has digits enough. A reading on the wrong body or rating is wrong by their ratio.
 * @param volts across the fuse's test tabs
 * @param rating A
 */
export function ampsByFuse(type: FuseType, rating: number, volts: number, meter: MeterType): FuseAmps {
  const ohms = fuseColdOhms(rating, type)
  const amps = volts / ohms
  const blur = accuracy(volts, autorange(Math.abs(volts), meter.counts, 0.6, 600).digit, meter.volts)
  const warmth = Math.abs(amps) / rating
  const width = spread * Math.abs(amps) + blur / ohms
  const coarse = blur > 0.3 * Math.abs(volts)
  const honest = warmth <= coldUpTo && !coarse
  return {
    tableAmps: amps,
    least: amps - width,
    most: amps + width,
    honest,
    why: honest
      ? undefined
      : warmth > coldUpTo
        ? say('instruments.fuseWarm')
        : say('instruments.fuseCoarse', {
            most: { value: Number(((Math.abs(volts) + blur) / ohms).toPrecision(2)), unit: 'A' },
          }),
  }
}
