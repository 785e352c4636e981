import { formatPlain } from '../../quantity'
import { defineFault } from '../definition'

export const shortedTurns = defineFault({
  kind: 'shortedTurns',
  prior: { weight: 0.3, why: 'windings burn through far more often than they short' },
  title: 'Shorted turns',
  family: 'loads',
  drawsMore: true,
  heats: true,
  repairedBy: ['replace'],
  severity: {
    label: 'Resistance left, of the sound one',
    unit: '%',
    least: 5,
    most: 95,
    preset: 40,
    grid: [5, 10, 20, 35, 50, 70, 90],
  },
  built: 'Put a resistor across the element, rated for the heat.',
  caution: 'It draws more than its fuse is meant for: keep the branch’s own fuse in.',
  describe: (share) => `shorted turns: ${formatPlain(share)} % of its resistance left`,
  strike: ({ elements }, share) =>
    elements.map((e) => (e.type === 'resistor' ? { ...e, ohms: (e.ohms * share) / 100 } : e)),
})
