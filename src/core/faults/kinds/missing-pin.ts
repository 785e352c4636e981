import type { FaultDefinition } from '../definition'

export const missingPin: FaultDefinition = {
  kind: 'missingPin',
  title: 'Terminal missing',
  built: 'Leave the terminal out of its housing; its wire end insulated.',
  describe: () => 'terminal missing from its housing',
  strike: () => [],
}
