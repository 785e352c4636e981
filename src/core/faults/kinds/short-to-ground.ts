import { say } from '../../document'
import { defineFault } from '../definition'
import { halfWay } from '../strike'

export const shortToGround = defineFault({
  kind: 'shortToGround',
  prior: { weight: 0.5, why: 'a chafed wire, less common than a bad joint' },
  title: 'faults.shortToGround.title',
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
    least: 0.001,
    most: 1000,
    preset: 0.02,
    grid: [0.001, 0.01, 0.03, 0.1, 0.3, 1, 3, 10, 100, 1000],
    usual: [0, 0.3],
  },
  built: 'faults.shortToGround.built',
  caution: 'faults.shortToGround.caution',
  describe: (ohms) => say('faults.shortToGround.describe', { ohms: { value: ohms, unit: 'Ω' } }),
  strike: (site, ohms) => halfWay(site, site.ground, ohms),
})
