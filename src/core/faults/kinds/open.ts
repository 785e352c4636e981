import type { FaultDefinition } from '../definition'

export const open: FaultDefinition = {
  kind: 'open',
  title: 'Open',
  built: 'Cut the conductor inside its sleeve, or pull the pin back in its housing.',
  describe: () => 'open',
  strike: () => [],
}
