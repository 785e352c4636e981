import { defineFault } from '../definition'

export const inputNotSeen = defineFault({
  kind: 'inputNotSeen',
  prior: { weight: 0.5, why: 'inside the module' },
  title: 'Input not seen',
  family: 'modules',
  repairedBy: ['replace'],
  built: 'Lift the input’s pin inside the module’s housing.',
  describe: () => 'the module does not see this input',
  // The module's own logic knows it.
  strike: ({ elements }) => [...elements],
})
