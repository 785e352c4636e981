/** What all diodes share: a junction, and behind it the ohms of its bulk and lead. The stripe is the cathode. */
export const diodeShape = {
  takesCurrent: true,
  role: 'connection',
  terminals: [
    { key: 'a', suffix: 'a', name: 'anode' },
    { key: 'm', suffix: 'm', name: 'inside', inside: true },
    { key: 'k', suffix: 'k', name: 'cathode' },
  ],
  through: ['a', 'k'],
  units: [{ key: 'diode', name: 'diode', segments: ['junction', 'lead'] }],
  segments: [
    { key: 'junction', name: 'junction', between: ['a', 'm'], faults: ['open', 'leaky', 'reversed'] },
    { key: 'lead', name: 'lead and bulk', between: ['m', 'k'], faults: ['highResistance'] },
  ],
  detach: { verb: 'unplug', done: 'unplugged', opens: ['lead'] },
} as const
