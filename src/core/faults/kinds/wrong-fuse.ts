import { say } from '../../document'
import { defineFault } from '../definition'

export const wrongFuse = defineFault({
  kind: 'wrongFuse',
  prior: { weight: 0.05, why: 'its colour and figures are seen at once' },
  title: 'faults.wrongFuse.title',
  family: 'wiring',
  drawsMore: true,
  seen: { as: 'otherRating' },
  repairedBy: ['refit', 'replace'],
  severity: {
    label: 'faults.wrongFuse.ratingFitted',
    unit: 'A',
    least: 1,
    most: 500,
    preset: 3,
    grid: [1, 2, 3, 5, 7.5, 10, 15, 20, 30, 40, 100, 500],
  },
  built: 'faults.wrongFuse.built',
  caution: 'faults.wrongFuse.caution',
  describe: (amps) => say('faults.wrongFuse.describe', { amps: { value: amps, unit: '' } }),
  // The fuse's own equations know it.
  strike: ({ elements }) => [...elements],
})
