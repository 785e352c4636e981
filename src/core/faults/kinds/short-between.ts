import { formatQuantity } from '../../quantity'
import { defineFault } from '../definition'
import { halfWay } from '../strike'

export const shortBetween = defineFault({
  kind: 'shortBetween',
  prior: { weight: 0.1, why: 'two bare places in one bundle must meet' },
  title: 'Short between circuits',
  family: 'shorts',
  drawsMore: true,
  touches: true,
  madeBy: 'resistor',
  repairedBy: ['insulate', 'replace'],
  involves: 'conductor',
  severity: {
    label: 'Resistance of the short',
    unit: 'Ω',
    least: 0.001,
    most: 1000,
    preset: 0.05,
    grid: [0.01, 0.1, 1, 10, 100],
    usual: [0, 0.3],
  },
  built: 'Join taps in the two conductors through a fuse of the smaller branch’s size.',
  caution: 'Fuse the link: each branch may now be fed past its own fuse.',
  describe: (ohms) => `touches another circuit through ${formatQuantity(ohms, 'Ω')}`,
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
