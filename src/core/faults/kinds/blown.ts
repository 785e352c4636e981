import { asUsual, defineFault } from '../definition'

export const blown = defineFault({
  kind: 'blown',
  prior: asUsual,
  title: 'faults.blown.title',
  family: 'opens',
  sameAs: ['missingFuse'],
  seen: { as: 'gone', apart: true },
  repairedBy: ['refit', 'replace'],
  built: 'faults.blown.built',
  describe: () => 'faults.blown.describe',
  strike: () => [],
})
