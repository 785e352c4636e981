/** What all diodes share: a junction, and behind it the ohms of its bulk and lead. The stripe is the cathode. */
export const diodeShape = {
  takesCurrent: true,
  role: 'connection',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.diodeShape.anode' },
    { key: 'm', suffix: 'm', name: 'parts.diodeShape.inside', inside: true },
    { key: 'k', suffix: 'k', name: 'parts.diodeShape.cathode' },
  ],
  through: ['a', 'k'],
  units: [{ key: 'diode', name: 'parts.diodeShape.diode', segments: ['junction', 'lead'] }],
  segments: [
    {
      key: 'junction',
      name: 'parts.diodeShape.junction',
      between: ['a', 'm'],
      faults: ['open', 'leaky', 'reversed'],
    },
    { key: 'lead', name: 'parts.diodeShape.leadAndBulk', between: ['m', 'k'], faults: ['highResistance'] },
  ],
  detach: {
    verb: 'parts.unplug',
    done: 'parts.unplugged',
    opens: ['lead'],
    comesOut: { segments: ['junction', 'lead'] },
  },
} as const
