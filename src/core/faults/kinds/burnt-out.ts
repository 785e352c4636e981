import { asUsual, defineFault } from '../definition'

export const burntOut = defineFault({
  kind: 'burntOut',
  prior: asUsual,
  title: 'Burnt out',
  family: 'opens',
  repairedBy: ['replace'],
  built: 'Fit a lamp with a broken filament, or a load with an open winding.',
  describe: () => 'burnt out: open inside',
  strike: () => [],
})
