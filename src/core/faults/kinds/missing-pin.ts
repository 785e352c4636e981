import { defineFault } from '../definition'

export const missingPin = defineFault({
  kind: 'missingPin',
  prior: { weight: 0.3, why: 'a pin that never was there is found at the first drive' },
  title: 'Terminal missing',
  family: 'opens',
  sameAs: ['open'],
  repairedBy: ['terminal', 'replace'],
  built: 'Leave the terminal out of its housing; its wire end insulated.',
  describe: () => 'terminal missing from its housing',
  strike: () => [],
})
