import { figures, type Words } from '../document'
import { z } from 'zod'
import { definePart, quantity, type Access } from './definition'

const faults: readonly string[] = ['stuckOpen', 'burnt', 'corroded', 'leaky', 'welded']

/** A two-terminal switch that some of its positions close. */
function contactSwitch(spec: {
  kind: string
  title: Words
  /** What it is called in typed paths. */
  word: string
  letters: string
  seeAlso: readonly string[]
  symbol?: string
  access: Access
  positions: readonly string[]
  positionNames?: Readonly<Record<string, Words>>
  closes: readonly string[]
  inGear?: readonly string[]
}) {
  return definePart({
    kind: spec.kind,
    seeAlso: spec.seeAlso,
    symbol: spec.symbol ?? 'switch',
    access: spec.access,
    title: spec.title,
    quick: { words: [spec.word] },
    letters: spec.letters,
    role: 'control',
    terminals: [
      { key: 'a', suffix: 'a', name: 'parts.input2' },
      { key: 'b', suffix: 'b', name: 'parts.output' },
    ],
    through: ['a', 'b'],
    units: [{ key: 'contacts', name: 'parts.contacts', segments: ['contacts'] }],
    // Common practice, no source.
    spread: { contactOhms: 0.6 },
    parameters: z.object({ contactOhms: quantity('parts.contactsClosed', 'Ω', 0, 10, 0.008) }),
    segments: [{ key: 'contacts', name: 'parts.contacts', between: ['a', 'b'], faults }],
    positions: spec.positions,
    closes: spec.closes,
    ...(spec.inGear && { inGear: spec.inGear }),
    ...(spec.positionNames && { positionNames: spec.positionNames }),
    detach: { verb: 'parts.unplug', done: 'parts.unplugged', opens: ['contacts'], gap: ['a', 'b'] },
    stamp: ({ contactOhms }, net, { position }) => {
      if (position !== undefined && spec.closes.includes(position))
        net.contact('contacts', 'a', 'b', contactOhms)
    },
    summary: () => figures(''),
  })
}

/** Push button: closed while it is held. */
export const pushButton = contactSwitch({
  kind: 'pushButton',
  seeAlso: ['openByHalves', 'pointByPoint'],
  title: 'parts.contactSwitch.title',
  word: 'push button',
  letters: 'PB',
  symbol: 'pushButton',
  access: 'hand',
  positions: ['released', 'pressed'],
  closes: ['pressed'],
})

/** Inhibitor of an automatic gearbox: lets the starter turn in park and neutral only. */
export const inhibitor = contactSwitch({
  kind: 'inhibitor',
  seeAlso: ['noCrank'],
  title: 'parts.contactSwitch.gearInhibitorSwitch',
  word: 'gear inhibitor switch',
  letters: 'SN',
  access: 'under',
  positions: ['drive', 'neutral', 'park'],
  inGear: ['drive'],
  closes: ['neutral', 'park'],
})

/** Clutch switch: closed while the pedal is down. */
export const clutchSwitch = contactSwitch({
  kind: 'clutchSwitch',
  seeAlso: ['noCrank', 'openByHalves'],
  title: 'parts.contactSwitch.clutchSwitch',
  word: 'clutch switch',
  letters: 'SC',
  access: 'dash',
  positions: ['pedalUp', 'pedalDown'],
  positionNames: { pedalUp: 'parts.contactSwitch.pedalUp', pedalDown: 'parts.contactSwitch.pedalDown' },
  closes: ['pedalDown'],
})
