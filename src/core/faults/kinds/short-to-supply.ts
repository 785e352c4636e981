import { say } from '../../document'
import { defineFault } from '../definition'
import { halfWay } from '../strike'

export const shortToSupply = defineFault({
  kind: 'shortToSupply',
  prior: { weight: 0.1, why: 'two bare places must meet' },
  title: 'faults.shortToSupply.title',
  family: 'shorts',
  drawsMore: true,
  heats: true,
  touches: true,
  madeBy: 'resistor',
  seen: { as: 'chafed' },
  repairedBy: ['insulate', 'replace'],
  severity: {
    label: 'faults.resistanceOfTheShort',
    unit: 'Ω',
    least: 0.01,
    most: 1000,
    preset: 0.05,
    grid: [0.01, 0.03, 0.1, 0.3, 1, 3, 10, 30, 100, 1000],
    usual: [0, 0.3],
  },
  built: 'faults.shortToSupply.built',
  caution: 'faults.shortToSupply.caution',
  describe: (ohms) => say('faults.shortToSupply.describe', { ohms: { value: ohms, unit: 'Ω' } }),
  strike: (site, ohms) => halfWay(site, site.supply, ohms),
})
