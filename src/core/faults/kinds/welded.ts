import { asUsual, defineFault } from '../definition'

export const welded = defineFault({
  kind: 'welded',
  prior: asUsual,
  title: 'faults.welded.title',
  family: 'switching',
  drawsMore: true,
  repairedBy: ['replace'],
  built: 'faults.welded.built',
  caution: 'faults.welded.caution',
  describe: () => 'faults.welded.contactsWeldedNeverOpen',
  strike: ({ elements, between: [a, b], owner }) => [
    ...elements.filter((e) => e.type !== 'resistor' || e.ohms !== Infinity),
    { type: 'resistor', a, b, ohms: 0.004, owner },
  ],
})
