import type { FaultDefinition } from '../definition'

export const missingFuse: FaultDefinition = {
  kind: 'missingFuse',
  title: 'Fuse missing',
  built: 'Leave the fuse out.',
  describe: () => 'no fuse fitted',
  strike: () => [],
}
