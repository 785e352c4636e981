import { figures, type Words } from '../document'
import { z } from 'zod'
import { definePart, quantity, windingBears, type Notice } from './definition'
import { formatPlain } from '../quantity'

/** A load that is a winding: R in the steady state, R and L while it switches. */
function coilLoad(spec: {
  kind: string
  title: Words
  /** What it is called in typed paths. */
  word: string
  letters: string
  seeAlso: readonly string[]
  ohms: number
  inductance: number
  ratedVoltage: number
  words: { none: Words; weak: Words; full: Words }
  moves?: boolean
}) {
  const notices = {
    none: { key: 'none', text: spec.words.none },
    weak: { key: 'weak', text: spec.words.weak },
    full: { key: 'full', text: spec.words.full },
  } as const satisfies Record<string, Notice>
  return definePart({
    kind: spec.kind,
    seeAlso: spec.seeAlso,
    symbol: spec.kind,
    access: 'cover',
    ...(spec.moves && { moves: true }),
    title: spec.title,
    quick: { words: [spec.word] },
    letters: spec.letters,
    role: 'load',
    terminals: [
      { key: 'a', suffix: 'a', name: 'parts.feed' },
      { key: 'b', suffix: 'b', name: 'parts.return' },
    ],
    through: ['a', 'b'],
    units: [{ key: 'winding', name: 'parts.coilLoad.winding', segments: ['winding'] }],
    // Common practice, no source.
    spread: { ohms: 0.6 },
    parameters: z.object({
      ratedVoltage: quantity('parts.ratedVolts', 'V', 1, 48, spec.ratedVoltage),
      ohms: quantity('parts.coilLoad.winding2', 'Ω', 0.1, 5000, spec.ohms),
      inductance: quantity('parts.coilLoad.inductance', 'H', 0.00001, 5, spec.inductance),
    }),
    segments: [
      {
        key: 'winding',
        name: 'parts.coilLoad.winding',
        between: ['a', 'b'],
        faults: ['burntOut', 'shortedTurns', 'weak'],
        inTime: { type: 'winding', henry: 'inductance' },
      },
    ],
    detach: { verb: 'parts.unplug', done: 'parts.unplugged', opens: ['winding'], gap: ['a', 'b'] },
    loads: ['winding'],
    bears: { segments: ['winding'], most: ({ ratedVoltage }) => windingBears * ratedVoltage },
    stamp: ({ ohms }, net) => net.resistor('winding', 'a', 'b', ohms, 0.1),
    notice: {
      segment: 'winding',
      read: ({ ratedVoltage, ohms }, { amps }) => {
        const share = (Math.abs(amps) * ohms) / ratedVoltage
        return share < 0.3 ? notices.none : share < 0.72 ? notices.weak : notices.full
      },
      all: Object.values(notices),
    },
    summary: ({ ohms }) => figures(`${formatPlain(ohms)} Ω`),
  })
}

/** Horn: a winding that breaks its own circuit; its mean is told (common practice values, no source). */
export const horn = coilLoad({
  kind: 'horn',
  seeAlso: ['fourDrops', 'openByHalves'],
  title: 'parts.coilLoad.title',
  word: 'horn',
  letters: 'HN',
  ohms: 2.4,
  inductance: 0.003,
  ratedVoltage: 12,
  words: { none: 'parts.coilLoad.silent', weak: 'parts.coilLoad.croaks', full: 'parts.coilLoad.sounds' },
})

/** Solenoid of a valve or a catch. */
export const solenoid = coilLoad({
  kind: 'solenoid',
  seeAlso: ['ohm', 'fourDrops'],
  title: 'parts.coilLoad.solenoid',
  word: 'solenoid',
  letters: 'Y',
  ohms: 12,
  inductance: 0.05,
  ratedVoltage: 12,
  words: {
    none: 'parts.coilLoad.doesNotMove',
    weak: 'parts.coilLoad.humsHardlyMoves',
    full: 'parts.coilLoad.clunksAndHolds',
  },
  moves: true,
})

/** Warning speaker, driven by direct current pulses: its winding is what a meter sees. */
export const speaker = coilLoad({
  kind: 'speaker',
  seeAlso: ['ohm', 'openByHalves'],
  title: 'parts.coilLoad.warningSpeaker',
  word: 'warning speaker',
  letters: 'SP',
  ohms: 8,
  inductance: 0.0004,
  ratedVoltage: 4,
  words: { none: 'parts.coilLoad.silent', weak: 'parts.coilLoad.faint', full: 'parts.coilLoad.loud' },
})
