import { asUsual, defineFault } from '../definition'

export const blown = defineFault({
  kind: 'blown',
  prior: asUsual,
  title: 'Blown fuse',
  family: 'opens',
  sameAs: ['missingFuse'],
  repairedBy: ['refit', 'replace'],
  built: 'Fit a fuse that has blown.',
  describe: () => 'blown',
  strike: () => [],
})
