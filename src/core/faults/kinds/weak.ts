import { formatPlain } from '../../quantity'
import { defineFault } from '../definition'
import { scaled } from '../strike'

export const weak = defineFault({
  kind: 'weak',
  prior: { weight: 0.5, why: 'seldom beside a load that has failed for good' },
  title: 'Weak load',
  family: 'loads',
  repairedBy: ['replace'],
  severity: {
    label: 'Share of its current that it still takes',
    unit: '%',
    least: 1,
    most: 95,
    preset: 20,
    grid: [1, 5, 10, 20, 40, 60, 80, 95],
  },
  built: 'Fit a worn unit, or a resistor in series inside the load’s own housing.',
  describe: (share) => `weak: takes ${formatPlain(share)} % of its current`,
  strike: ({ elements }, share) => elements.map((e) => scaled(e, share / 100)),
})
