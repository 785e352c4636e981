import { say } from '../../document'
import { defineFault } from '../definition'

export const leaky = defineFault({
  kind: 'leaky',
  prior: { weight: 0.3, why: 'rare beside a lamp or a module that stays on' },
  title: 'faults.leaky.title',
  family: 'switching',
  drawsMore: true,
  madeBy: 'resistor',
  repairedBy: ['replace'],
  severity: {
    label: 'faults.leaky.resistanceOfTheLeak',
    unit: 'Ω',
    least: 1,
    most: 100000,
    preset: 100,
    grid: [1, 3, 10, 30, 100, 300, 1000, 10000, 100000],
  },
  built: 'faults.leaky.built',
  describe: (ohms) => say('faults.leaky.describe', { ohms: { value: ohms, unit: 'Ω' } }),
  strike: ({ elements, between: [a, b], owner }, ohms) => [
    ...elements,
    { type: 'resistor', a, b, ohms, owner },
  ],
})
