import type { FaultDefinition } from '../definition'

export const outputDead: FaultDefinition = {
  kind: 'outputDead',
  title: 'Output dead',
  built: 'Lift the output’s pin inside the module’s housing.',
  describe: () => 'its driver never switches',
  strike: () => [],
}
