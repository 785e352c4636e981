import { defineFault } from '../definition'

export const missingFuse = defineFault({
  kind: 'missingFuse',
  title: 'Fuse missing',
  family: 'opens',
  sameAs: ['blown'],
  repairedBy: ['refit', 'replace'],
  built: 'Leave the fuse out.',
  describe: () => 'no fuse fitted',
  strike: () => [],
})
