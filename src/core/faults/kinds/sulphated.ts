import { formatPlain } from '../../quantity'
import { asUsual, defineFault } from '../definition'

export const sulphated = defineFault({
  kind: 'sulphated',
  prior: asUsual,
  title: 'High internal resistance',
  family: 'sources',
  repairedBy: ['replace'],
  severity: {
    label: 'Times its internal resistance',
    unit: '',
    least: 1.5,
    most: 200,
    preset: 8,
    grid: [1.5, 3, 6, 12, 25, 60, 200],
  },
  built: 'Use an old battery that still rests at full volts, or put a heavy resistor in its lead.',
  caution: 'A worn battery may gas under load: eye protection, no sparks.',
  describe: (times) => `worn: ${formatPlain(times)} times its internal resistance`,
  strike: ({ elements }, times) =>
    elements.map((e) => (e.type === 'source' ? { ...e, ohms: e.ohms * times } : e)),
})
