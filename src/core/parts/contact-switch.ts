import { z } from 'zod'
import { definePart, quantity, type FaultKind } from './definition'

const faults: readonly FaultKind[] = ['stuckOpen', 'burnt', 'corroded', 'leaky', 'welded']

/** A two-terminal switch that some of its positions close. */
function contactSwitch(spec: {
  kind: string
  title: string
  letters: string
  positions: readonly string[]
  closes: readonly string[]
}) {
  return definePart({
    kind: spec.kind,
    title: spec.title,
    letters: spec.letters,
    role: 'control',
    terminals: [
      { key: 'a', suffix: 'a', name: 'input' },
      { key: 'b', suffix: 'b', name: 'output' },
    ],
    through: ['a', 'b'],
    parameters: z.object({ contactOhms: quantity('Contacts closed', 'Ω', 0, 10, 0.008) }),
    segments: [{ key: 'contacts', name: 'contacts', between: ['a', 'b'], faults }],
    positions: spec.positions,
    detach: { verb: 'unplug', done: 'unplugged', opens: ['contacts'] },
    stamp: ({ contactOhms }, net, { position }) => {
      if (position !== undefined && spec.closes.includes(position))
        net.resistor('contacts', 'a', 'b', Math.max(contactOhms, 1e-6), 0.5)
    },
    summary: () => '',
  })
}

/** Push button: closed while it is held. */
export const pushButton = contactSwitch({
  kind: 'pushButton',
  title: 'Push button',
  letters: 'PB',
  positions: ['released', 'pressed'],
  closes: ['pressed'],
})

/** Inhibitor of an automatic gearbox: lets the starter turn in park and neutral only. */
export const inhibitor = contactSwitch({
  kind: 'inhibitor',
  title: 'Gear inhibitor switch',
  letters: 'SN',
  positions: ['drive', 'neutral', 'park'],
  closes: ['neutral', 'park'],
})

/** Clutch switch: closed while the pedal is down. */
export const clutchSwitch = contactSwitch({
  kind: 'clutchSwitch',
  title: 'Clutch switch',
  letters: 'SC',
  positions: ['pedal up', 'pedal down'],
  closes: ['pedal down'],
})
