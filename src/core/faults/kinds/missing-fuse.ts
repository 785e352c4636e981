import { defineFault } from '../definition'

export const missingFuse = defineFault({
  kind: 'missingFuse',
  prior: { weight: 0.1, why: 'whoever looks at the fuse box sees it' },
  title: 'Fuse missing',
  family: 'opens',
  sameAs: ['blown'],
  repairedBy: ['refit', 'replace'],
  built: 'Leave the fuse out.',
  describe: () => 'no fuse fitted',
  strike: () => [],
})
