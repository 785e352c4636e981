import { asUsual, defineFault } from '../definition'

export const notSleeping = defineFault({
  kind: 'notSleeping',
  prior: asUsual,
  title: 'faults.notSleeping.title',
  family: 'drains',
  drawsMore: true,
  repairedBy: ['replace'],
  built: 'faults.notSleeping.built',
  caution: 'faults.notSleeping.caution',
  describe: () => 'faults.notSleeping.staysAwakeAfterTheKey',
  strike: ({ elements }) => [...elements],
})
