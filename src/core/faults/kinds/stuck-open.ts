import { asUsual, defineFault } from '../definition'

export const stuckOpen = defineFault({
  kind: 'stuckOpen',
  prior: asUsual,
  title: 'Dead switch',
  family: 'switching',
  repairedBy: ['replace'],
  built: 'Lift one contact inside the switch.',
  describe: () => 'contacts never close',
  strike: () => [],
})
