import type { FaultDefinition } from '../definition'

export const inputNotSeen: FaultDefinition = {
  kind: 'inputNotSeen',
  title: 'Input not seen',
  built: 'Lift the input’s pin inside the module’s housing.',
  describe: () => 'the module does not see this input',
  // The module's own logic knows it.
  strike: ({ elements }) => [...elements],
}
