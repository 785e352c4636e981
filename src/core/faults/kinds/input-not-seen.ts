import { defineFault } from '../definition'

export const inputNotSeen = defineFault({
  kind: 'inputNotSeen',
  prior: { weight: 0.5, why: 'inside the module' },
  title: 'faults.inputNotSeen.title',
  family: 'modules',
  repairedBy: ['replace'],
  built: 'faults.inputNotSeen.built',
  describe: () => 'faults.inputNotSeen.theModuleDoesNotSee',
  // The module's own logic knows it.
  strike: ({ elements }) => [...elements],
})
