import { say } from '../../document'
import { defineFault } from '../definition'

export const shortedTurns = defineFault({
  kind: 'shortedTurns',
  prior: { weight: 0.3, why: 'windings burn through far more often than they short' },
  title: 'faults.shortedTurns.title',
  family: 'loads',
  drawsMore: true,
  heats: true,
  repairedBy: ['replace'],
  severity: {
    label: 'faults.shortedTurns.resistanceLeftOfTheSound',
    unit: '%',
    least: 5,
    most: 95,
    preset: 40,
    grid: [5, 10, 20, 35, 50, 70, 90, 95],
  },
  built: 'faults.shortedTurns.built',
  caution: 'faults.shortedTurns.caution',
  describe: (share) => say('faults.shortedTurns.describe', { percent: { value: share, unit: '' } }),
  strike: ({ elements }, share) =>
    elements.map((e) => (e.type === 'resistor' ? { ...e, ohms: (e.ohms * share) / 100 } : e)),
})
