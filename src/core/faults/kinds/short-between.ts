import { say } from '../../document'
import { defineFault } from '../definition'
import { halfWay } from '../strike'

export const shortBetween = defineFault({
  kind: 'shortBetween',
  prior: { weight: 0.1, why: 'two bare places in one bundle must meet' },
  title: 'faults.shortBetween.title',
  family: 'shorts',
  drawsMore: true,
  touches: true,
  madeBy: 'resistor',
  seen: { as: 'chafed' },
  repairedBy: ['insulate', 'replace'],
  involves: 'conductor',
  severity: {
    label: 'faults.resistanceOfTheShort',
    unit: 'Ω',
    least: 0.001,
    most: 1000,
    preset: 0.05,
    grid: [0.001, 0.01, 0.03, 0.1, 0.3, 1, 3, 10, 100, 1000],
    usual: [0, 0.3],
  },
  built: 'faults.shortBetween.built',
  caution: 'faults.shortBetween.caution',
  describe: (ohms) => say('faults.shortBetween.describe', { ohms: { value: ohms, unit: 'Ω' } }),
  strike: (site, ohms) => {
    if (!site.other) return [...site.elements]
    const [far, ...rest] = site.other.elements
    if (far?.type !== 'resistor') return [...site.elements]
    const there = site.freshNode()
    return {
      own: halfWay(site, there, ohms),
      other: [{ ...far, ohms: far.ohms / 2, b: there }, { ...far, ohms: far.ohms / 2, a: there }, ...rest],
    }
  },
})
