import { formatQuantity } from '../../quantity'
import { defineFault } from '../definition'
import { halfWay } from '../strike'

export const shortToGround = defineFault({
  kind: 'shortToGround',
  prior: { weight: 0.5, why: 'a chafed wire, less common than a bad joint' },
  title: 'Short to ground',
  family: 'shorts',
  drawsMore: true,
  heats: true,
  touches: true,
  madeBy: 'resistor',
  repairedBy: ['insulate', 'replace'],
  severity: {
    label: 'Resistance of the short',
    unit: 'Ω',
    least: 0.001,
    most: 1000,
    preset: 0.02,
    grid: [0.01, 0.03, 0.1, 0.3, 1, 3, 10],
    usual: [0, 0.3],
  },
  built: 'Lead a wire from a tap in the conductor to the frame, through the branch’s own fuse only.',
  caution: 'Never without a fuse of the branch’s own size: an unfused short burns wire and people.',
  describe: (ohms) => `short to ground through ${formatQuantity(ohms, 'Ω')}`,
  strike: (site, ohms) => halfWay(site, site.ground, ohms),
})
