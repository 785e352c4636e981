import { formatQuantity } from '../../quantity'
import { asUsual, defineFault } from '../definition'

export const discharged = defineFault({
  kind: 'discharged',
  prior: asUsual,
  title: 'Weak battery',
  family: 'sources',
  repairedBy: ['charge', 'replace'],
  severity: {
    label: 'Volts lost from its open-circuit voltage',
    unit: 'V',
    least: 0.2,
    most: 12,
    preset: 2,
    grid: [0.3, 0.6, 1, 1.5, 2.2, 3.2, 4.5, 6.5, 9, 12],
  },
  built: 'Use a battery that has been run down, or a bench supply turned down.',
  caution: 'A flat battery gives off hydrogen when it is charged again: ventilate, no sparks.',
  describe: (volts) => `weak: ${formatQuantity(volts, 'V')} down`,
  strike: ({ elements }, volts) =>
    elements.map((e) => (e.type === 'source' ? { ...e, volts: Math.max(0, e.volts - volts) } : e)),
})
