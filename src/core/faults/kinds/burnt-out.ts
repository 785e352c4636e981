import type { FaultDefinition } from '../definition'

export const burntOut: FaultDefinition = {
  kind: 'burntOut',
  title: 'Burnt out',
  built: 'Fit a lamp with a broken filament, or a load with an open winding.',
  describe: () => 'burnt out: open inside',
  strike: () => [],
}
