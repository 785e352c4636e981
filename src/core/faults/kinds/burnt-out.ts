import { asUsual, defineFault } from '../definition'

export const burntOut = defineFault({
  kind: 'burntOut',
  prior: asUsual,
  title: 'faults.burntOut.title',
  family: 'opens',
  seen: { as: 'gone', apart: true },
  repairedBy: ['replace'],
  built: 'faults.burntOut.built',
  describe: () => 'faults.burntOut.burntOutOpenInside',
  strike: () => [],
})
