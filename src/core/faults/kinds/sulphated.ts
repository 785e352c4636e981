import { say } from '../../document'
import { asUsual, defineFault } from '../definition'

export const sulphated = defineFault({
  kind: 'sulphated',
  prior: asUsual,
  title: 'faults.sulphated.title',
  family: 'sources',
  repairedBy: ['replace'],
  severity: {
    label: 'faults.sulphated.timesItsInternalResistance',
    unit: '',
    least: 1.5,
    most: 200,
    preset: 8,
    grid: [1.5, 3, 6, 12, 25, 60, 200],
  },
  built: 'faults.sulphated.built',
  caution: 'faults.sulphated.caution',
  describe: (times) => say('faults.sulphated.describe', { times: { value: times, unit: '' } }),
  strike: ({ elements }, times) =>
    elements.map((e) => (e.type === 'source' ? { ...e, ohms: e.ohms * times } : e)),
})
