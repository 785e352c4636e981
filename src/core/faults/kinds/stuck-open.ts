import type { FaultDefinition } from '../definition'

export const stuckOpen: FaultDefinition = {
  kind: 'stuckOpen',
  title: 'Dead switch',
  built: 'Lift one contact inside the switch.',
  describe: () => 'contacts never close',
  strike: () => [],
}
