import { asUsual, defineFault } from '../definition'

export const welded = defineFault({
  kind: 'welded',
  prior: asUsual,
  title: 'Contacts welded',
  family: 'switching',
  drawsMore: true,
  repairedBy: ['replace'],
  built: 'Bridge the contacts inside, or fit a link across them.',
  caution: 'The load runs whenever it has a supply: make sure that nothing can be caught by it.',
  describe: () => 'contacts welded: never open',
  strike: ({ elements, between: [a, b], owner }) => [
    ...elements.filter((e) => e.type !== 'resistor' || e.ohms !== Infinity),
    { type: 'resistor', a, b, ohms: 0.004, owner },
  ],
})
