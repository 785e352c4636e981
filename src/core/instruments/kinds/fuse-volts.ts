import { findPart } from '../../model'
import { partOfKind } from '../../parts'
import { expectedVolts } from '../expected'
import { ampsByFuse } from '../fuse-table'
import { defineInstrument, noEffects } from '../instrument'
import { say } from '../../document'
import { readVolts, voltsAccuracy } from '../voltmeter'
import { across, inAmps, around, byFactor, nothing } from './common'

/** Millivolts across a fuse that stays in, and the amps that the trade's table makes of them. */
export const fuseVolts = defineInstrument({
  key: 'fuseVolts',
  device: 'multimeter',
  title: 'instruments.fuseVolts.title',
  about: 'instruments.fuseVolts.about',
  cautions: () => [],
  settings: [],
  holds: ['spots'],
  nature: () => ({ draws: 0 }),
  read: (use) => {
    const { solved, place, meter } = use
    const { red, black } = across(use)
    const part = place.type === 'spots' ? findPart(solved.board.circuit, place.part) : undefined
    const protects = part && partOfKind(part.kind).protects
    if (!part || !protects?.blade) return nothing('–')
    const { value, text } = readVolts(solved, red, black, meter)
    // The table goes by what is printed on the fuse that is drawn there.
    const rating = protects.rating(part.parameters, new Map())
    const { tableAmps, why } = ampsByFuse(protects.blade.body(part.parameters), rating, value ?? 0, meter)
    return {
      value,
      unit: 'V',
      text,
      signs: [
        say('instruments.fuseAmps', { amps: inAmps(tableAmps), rating: { shown: String(rating) } }),
        ...(why ? [why] : []),
      ],
      did: noEffects,
    }
  },
  expect: (use) => {
    const { red, black } = across(use)
    const { value = 0, band } = expectedVolts(use.solved, red, black, use.meter)
    // Fuses of one rating differ.
    return around(value, Math.max(band, voltsAccuracy(value, use.meter)) + 0.15 * Math.abs(value))
  },
  guess: (use) => {
    const { red, black } = across(use)
    return use.solved.volts(red, black) ?? 0
  },
  tells: byFactor(0.0005),
  asks: { type: 'value', unit: 'V', open: false },
  places: (circuit) =>
    circuit.parts.flatMap((part) =>
      partOfKind(part.kind).protects?.blade ? [{ type: 'spots' as const, part: part.id }] : [],
    ),
  minutes: 0.3,
})
