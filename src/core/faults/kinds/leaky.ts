import { formatQuantity } from '../../quantity'
import { defineFault } from '../definition'

export const leaky = defineFault({
  kind: 'leaky',
  prior: { weight: 0.3, why: 'rare beside a lamp or a module that stays on' },
  title: 'Leaks when open',
  family: 'switching',
  drawsMore: true,
  madeBy: 'resistor',
  repairedBy: ['replace'],
  severity: {
    label: 'Resistance of the leak',
    unit: 'Ω',
    least: 1,
    most: 100000,
    preset: 100,
    grid: [1, 3, 10, 30, 100, 300, 1000, 10000, 100000],
  },
  built: 'Put a resistor across the contacts.',
  describe: (ohms) => `leaks through ${formatQuantity(ohms, 'Ω')} when open`,
  strike: ({ elements, between: [a, b], owner }, ohms) => [
    ...elements,
    { type: 'resistor', a, b, ohms, owner },
  ],
})
