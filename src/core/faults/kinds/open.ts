import { asUsual, defineFault } from '../definition'

export const open = defineFault({
  kind: 'open',
  prior: asUsual,
  title: 'faults.open.title',
  family: 'opens',
  inLine: true,
  sameAs: ['missingPin', 'burntOut', 'stuckOpen', 'blown'],
  repairedBy: ['remake', 'recrimp', 'solder', 'terminal', 'replace', 'moveGround', 'groundWire'],
  built: 'faults.open.built',
  describe: () => 'faults.open.describe',
  strike: () => [],
})
