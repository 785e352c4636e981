import { asUsual, defineFault } from '../definition'

export const stuckOpen = defineFault({
  kind: 'stuckOpen',
  prior: asUsual,
  title: 'faults.stuckOpen.title',
  family: 'switching',
  repairedBy: ['replace'],
  built: 'faults.stuckOpen.built',
  describe: () => 'faults.stuckOpen.contactsNeverClose',
  strike: () => [],
})
