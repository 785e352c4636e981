import { asUsual, defineFault } from '../definition'

export const sticking = defineFault({
  kind: 'sticking',
  prior: asUsual,
  title: 'faults.sticking.title',
  family: 'switching',
  sameAs: ['welded'],
  repairedBy: ['replace'],
  built: 'faults.sticking.built',
  describe: () => 'faults.sticking.sticksStaysInOnceIt',
  strike: ({ elements }) => [...elements],
})
