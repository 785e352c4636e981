import { asUsual, defineFault } from '../definition'

export const open = defineFault({
  kind: 'open',
  prior: asUsual,
  title: 'Open',
  family: 'opens',
  sameAs: ['missingPin', 'burntOut', 'stuckOpen', 'blown'],
  repairedBy: ['remake', 'recrimp', 'solder', 'terminal', 'replace'],
  built: 'Cut the conductor inside its sleeve, or pull the pin back in its housing.',
  describe: () => 'open',
  strike: () => [],
})
