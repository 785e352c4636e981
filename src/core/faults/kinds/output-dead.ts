import { asUsual, defineFault } from '../definition'

export const outputDead = defineFault({
  kind: 'outputDead',
  prior: asUsual,
  title: 'Output dead',
  family: 'modules',
  repairedBy: ['replace'],
  built: 'Lift the output’s pin inside the module’s housing.',
  describe: () => 'its driver never switches',
  strike: () => [],
})
