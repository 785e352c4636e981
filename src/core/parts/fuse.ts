import { figures } from '../document'
import { z } from 'zod'
import { choice, definePart, passive, quantity } from './definition'
import { fuseTable } from './tables'
import { formatPlain } from '../quantity'
import type { Law } from '../solve'

/**
 * Volts across a blade fuse at its rated current. ISO 8820-3 / SAE J1284, from memory.
 * Between the ratings, log interpolation; outside them the nearest value.
 */
const ratedDrop: readonly (readonly [number, number])[] = [
  [5, 0.128],
  [7.5, 0.116],
  [10, 0.109],
  [15, 0.102],
  [20, 0.098],
  [25, 0.092],
  [30, 0.084],
]

export function fuseRatedDrop(rating: number): number {
  const first = ratedDrop[0]!
  if (rating <= first[0]) return first[1]
  for (let i = 1; i < ratedDrop.length; i++) {
    const [high, drop] = ratedDrop[i]!
    const [low, before] = ratedDrop[i - 1]!
    if (rating <= high) return before + ((drop - before) * Math.log(rating / low)) / Math.log(high / low)
  }
  return ratedDrop[ratedDrop.length - 1]![1]
}

export const fuseTypes = ['mini', 'regular', 'maxi'] as const
export type FuseType = (typeof fuseTypes)[number]

/** Amps that each body is made for, from and to (ISO 8820-3, from memory). */
export const fuseBodies: Readonly<Record<FuseType, readonly [number, number]>> = {
  mini: [2, 30],
  regular: [1, 40],
  maxi: [20, 100],
}

/** Drop beside a regular blade's: a larger body has a little less (common practice, no source). */
const bodyFactor: Readonly<Record<FuseType, number>> = { mini: 1, regular: 1, maxi: 0.85 }

/**
 * Cold ohms ≈ 0.7 of the rated drop over the rating, which gives the trade's 10 mV ≈ 2.1 A at 15 A.
 * @param rating A
 * @returns Ω
 */
export const fuseColdOhms = (rating: number, type: FuseType = 'regular'): number =>
  (0.7 * bodyFactor[type] * fuseRatedDrop(rating)) / rating

/**
 * v = R₀·i·(1 + c·(i/I_n)²) with c such that the drop at the rating is the rated one; solved for i.
 * @param rating A
 */
export function fuseLaw(rating: number, type: FuseType = 'regular'): Law {
  const cold = fuseColdOhms(rating, type)
  const rise = (1 / 0.7 - 1) / rating ** 2
  return {
    chord: 1 / cold,
    at(v, out) {
      let i = v / cold
      // Convex in |i|: Newton from the cold answer, which is too large, comes down without overshoot.
      for (let n = 0; n < 60; n++) {
        const miss = cold * i * (1 + rise * i * i) - v
        const change = miss / (cold * (1 + 3 * rise * i * i))
        i -= change
        if (Math.abs(change) <= 1e-13 * (1 + Math.abs(i))) break
      }
      out.current = i
      out.slope = 1 / (cold * (1 + 3 * rise * i * i))
    },
    spice: (name, a, b) => [
      `V${name} ${a} m${name} 0`,
      `B${name} m${name} ${b} V=${cold}*i(V${name})*(1+${rise}*i(V${name})*i(V${name}))`,
    ],
  }
}

/**
 * Steady amps, over the rating, from which it melts: ISO 8820-3 lets 110 % through for good and wants 135 % gone within its
 * time (gates from memory); in between lies what a fuse of the middle does (common practice, no source).
 */
export const meltsAbove = 1.2

/** Blade fuse in its holder; the test tabs on its back are probe points of their own. */
export const fuse = definePart({
  kind: 'fuse',
  seeAlso: ['fuseVolts', 'fuseDrop', 'fuseAndWire', 'shortWithLamp', 'fuses'],
  symbol: 'fuse',
  access: 'hand',
  pinout: 'all',
  title: 'parts.fuse.title',
  letters: 'F',
  quick: { words: ['fuse', 'blade fuse'], main: ['rating'] },
  role: 'protection',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.fuse.holderSupplySide' },
    { key: 'ta', suffix: 'ta', name: 'parts.fuse.fuseTabSupplySide' },
    { key: 'tb', suffix: 'tb', name: 'parts.fuse.fuseTabLoadSide' },
    { key: 'b', suffix: 'b', name: 'parts.fuse.holderLoadSide' },
  ],
  through: ['a', 'b'],
  units: [
    { key: 'fuse', name: 'parts.fuse.fuse', segments: ['link'] },
    { key: 'holder', name: 'parts.fuse.holder', segments: ['clipIn', 'clipOut'] },
  ],
  // Common practice, no source.
  spread: { clipOhms: 0.6 },
  parameters: z.object({
    rating: quantity('parts.rating', 'A', 1, 100, 10, fuseTable),
    type: choice('parts.fuse.body', fuseTypes, 'regular', {
      mini: 'parts.body.mini',
      regular: 'parts.body.regular',
      maxi: 'parts.body.maxi',
    }),
    clipOhms: quantity('parts.fuse.holderClip', 'Ω', 0, 1, 0.0015),
  }),
  segments: [
    { key: 'clipIn', name: 'parts.fuse.supplySideClip', between: ['a', 'ta'], faults: passive },
    {
      key: 'link',
      name: 'parts.fuse.fuseLink',
      between: ['ta', 'tb'],
      faults: ['blown', 'missingFuse', 'wrongFuse'],
    },
    { key: 'clipOut', name: 'parts.fuse.loadSideClip', between: ['tb', 'b'], faults: [...passive, 'drain'] },
  ],
  detach: {
    verb: 'parts.pull',
    done: 'parts.pulled',
    opens: ['clipIn', 'clipOut'],
    gap: ['a', 'b'],
    comesOut: { segments: ['link'] },
  },
  interchangeable: true,
  protects: {
    segment: 'link',
    melts: true,
    range: ({ type }) => fuseBodies[type],
    rating: ({ rating }, struck) => struck.get('wrongFuse') ?? rating,
    blade: { spots: ['ta', 'tb'], body: ({ type }) => type },
  },
  stamp: ({ rating, type, clipOhms }, net, { blown, struck }) => {
    net.contact('clipIn', 'a', 'ta', clipOhms)
    if (!blown) net.nonlinear('link', 'ta', 'tb', fuseLaw(struck.get('wrongFuse') ?? rating, type), 0.1)
    net.contact('clipOut', 'tb', 'b', clipOhms)
  },
  summary: ({ rating }) => figures(`${formatPlain(rating)} A`),
})
