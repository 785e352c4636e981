import { say } from '../../document'
import { defineFault } from '../definition'

export const wrongBulb = defineFault({
  kind: 'wrongBulb',
  prior: { weight: 0.05, why: 'an eye sees a weak or glaring lamp and what is printed on it' },
  title: 'faults.wrongBulb.title',
  family: 'wiring',
  drawsMore: true,
  heats: true,
  seen: { as: 'otherRating', apart: true },
  repairedBy: ['replace'],
  severity: {
    label: 'faults.wrongBulb.wattsFitted',
    unit: 'W',
    least: 0.5,
    most: 150,
    preset: 5,
    grid: [0.5, 1, 2, 5, 10, 21, 35, 55, 100, 150],
  },
  built: 'faults.wrongBulb.built',
  caution: 'faults.wrongBulb.caution',
  describe: (watts) => say('faults.wrongBulb.describe', { watts: { value: watts, unit: '' } }),
  // The lamp's own equations know it.
  strike: ({ elements }) => [...elements],
})
