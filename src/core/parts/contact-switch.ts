import { z } from 'zod'
import { definePart, quantity, type Access } from './definition'

const faults: readonly string[] = ['stuckOpen', 'burnt', 'corroded', 'leaky', 'welded']

/** A two-terminal switch that some of its positions close. */
function contactSwitch(spec: {
  kind: string
  title: string
  letters: string
  seeAlso: readonly string[]
  symbol?: string
  access: Access
  positions: readonly string[]
  positionNames?: Readonly<Record<string, string>>
  closes: readonly string[]
  inGear?: readonly string[]
}) {
  return definePart({
    kind: spec.kind,
    seeAlso: spec.seeAlso,
    symbol: spec.symbol ?? 'switch',
    access: spec.access,
    title: spec.title,
    letters: spec.letters,
    role: 'control',
    terminals: [
      { key: 'a', suffix: 'a', name: 'input' },
      { key: 'b', suffix: 'b', name: 'output' },
    ],
    through: ['a', 'b'],
    units: [{ key: 'contacts', name: 'contacts', segments: ['contacts'] }],
    // Common practice, no source.
    spread: { contactOhms: 0.6 },
    parameters: z.object({ contactOhms: quantity('Contacts closed', 'Ω', 0, 10, 0.008) }),
    segments: [{ key: 'contacts', name: 'contacts', between: ['a', 'b'], faults }],
    positions: spec.positions,
    closes: spec.closes,
    ...(spec.inGear && { inGear: spec.inGear }),
    ...(spec.positionNames && { positionNames: spec.positionNames }),
    detach: { verb: 'unplug', done: 'unplugged', opens: ['contacts'], gap: ['a', 'b'] },
    stamp: ({ contactOhms }, net, { position }) => {
      if (position !== undefined && spec.closes.includes(position))
        net.contact('contacts', 'a', 'b', contactOhms)
    },
    summary: () => '',
  })
}

/** Push button: closed while it is held. */
export const pushButton = contactSwitch({
  kind: 'pushButton',
  seeAlso: ['openByHalves', 'pointByPoint'],
  title: 'Push button',
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
  title: 'Gear inhibitor switch',
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
  title: 'Clutch switch',
  letters: 'SC',
  access: 'dash',
  positions: ['pedalUp', 'pedalDown'],
  positionNames: { pedalUp: 'pedal up', pedalDown: 'pedal down' },
  closes: ['pedalDown'],
})
