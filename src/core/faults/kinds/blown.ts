import type { FaultDefinition } from '../definition'

export const blown: FaultDefinition = {
  kind: 'blown',
  title: 'Blown fuse',
  built: 'Fit a fuse that has blown.',
  describe: () => 'blown',
  strike: () => [],
}
