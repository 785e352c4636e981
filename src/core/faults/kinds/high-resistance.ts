import { say } from '../../document'
import { asUsual, defineFault } from '../definition'
import { inSeries } from '../strike'

export const highResistance = defineFault({
  kind: 'highResistance',
  prior: asUsual,
  title: 'faults.highResistance',
  family: 'resistance',
  inLine: true,
  heats: true,
  madeBy: 'resistor',
  sameAs: ['corroded'],
  repairedBy: ['remake', 'recrimp', 'solder', 'terminal', 'replace', 'moveGround', 'groundWire'],
  severity: {
    label: 'faults.highResistance.resistance',
    unit: 'Ω',
    least: 0.01,
    most: 10000,
    preset: 1,
    grid: [0.01, 0.02, 0.05, 0.1, 0.2, 0.4, 0.7, 1, 1.5, 2.2, 3.3, 5, 8, 15, 30, 60, 150, 500, 2000, 10000],
  },
  built: 'faults.highResistance.built',
  caution: 'faults.highResistance.caution',
  describe: (ohms) => say('faults.highResistance.describe', { ohms: { value: ohms, unit: 'Ω' } }),
  strike: (site, ohms) =>
    inSeries(site, (a, b) => ({ type: 'resistor', a, b, ohms, owner: site.elements[0]!.owner })),
})
