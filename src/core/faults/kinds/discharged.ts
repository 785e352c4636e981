import { say } from '../../document'
import { asUsual, defineFault } from '../definition'

export const discharged = defineFault({
  kind: 'discharged',
  prior: asUsual,
  title: 'faults.discharged.title',
  family: 'sources',
  repairedBy: ['charge', 'replace'],
  severity: {
    label: 'faults.discharged.voltsLostFromItsOpen',
    unit: 'V',
    least: 0.2,
    most: 12,
    preset: 2,
    grid: [0.2, 0.6, 1, 1.5, 2.2, 3.2, 4.5, 6.5, 9, 12],
  },
  built: 'faults.discharged.built',
  caution: 'faults.discharged.caution',
  describe: (volts) => say('faults.discharged.describe', { volts: { value: volts, unit: 'V' } }),
  strike: ({ elements }, volts) =>
    elements.map((e) => (e.type === 'source' ? { ...e, volts: Math.max(0, e.volts - volts) } : e)),
})
