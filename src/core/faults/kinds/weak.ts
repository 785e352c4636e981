import { say } from '../../document'
import { defineFault } from '../definition'
import { scaled } from '../strike'

export const weak = defineFault({
  kind: 'weak',
  prior: { weight: 0.5, why: 'seldom beside a load that has failed for good' },
  title: 'faults.weak.title',
  family: 'loads',
  repairedBy: ['replace'],
  severity: {
    label: 'faults.weak.shareOfItsCurrentThat',
    unit: '%',
    least: 1,
    most: 95,
    preset: 20,
    grid: [1, 5, 10, 20, 40, 60, 80, 95],
  },
  built: 'faults.weak.built',
  describe: (share) => say('faults.weak.describe', { percent: { value: share, unit: '' } }),
  strike: ({ elements }, share) => elements.map((e) => scaled(e, share / 100)),
})
