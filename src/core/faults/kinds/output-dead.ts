import { asUsual, defineFault } from '../definition'

export const outputDead = defineFault({
  kind: 'outputDead',
  prior: asUsual,
  title: 'faults.outputDead.title',
  family: 'modules',
  repairedBy: ['replace'],
  built: 'faults.outputDead.built',
  describe: () => 'faults.outputDead.itsDriverNeverSwitches',
  strike: () => [],
})
