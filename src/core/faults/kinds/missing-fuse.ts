import { defineFault } from '../definition'

export const missingFuse = defineFault({
  kind: 'missingFuse',
  prior: { weight: 0.1, why: 'whoever looks at the fuse box sees it' },
  title: 'faults.missingFuse.title',
  family: 'opens',
  sameAs: ['blown'],
  seen: { as: 'empty' },
  repairedBy: ['refit', 'replace'],
  built: 'faults.missingFuse.built',
  describe: () => 'faults.missingFuse.noFuseFitted',
  strike: () => [],
})
