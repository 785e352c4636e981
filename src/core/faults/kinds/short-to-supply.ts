import { formatQuantity } from '../../quantity'
import { defineFault } from '../definition'
import { halfWay } from '../strike'

export const shortToSupply = defineFault({
  kind: 'shortToSupply',
  prior: { weight: 0.1, why: 'two bare places must meet' },
  title: 'Short to supply',
  family: 'shorts',
  drawsMore: true,
  heats: true,
  touches: true,
  madeBy: 'resistor',
  repairedBy: ['insulate', 'replace'],
  severity: {
    label: 'Resistance of the short',
    unit: 'Ω',
    least: 0.01,
    most: 1000,
    preset: 0.05,
    grid: [0.01, 0.05, 0.2, 1, 5, 20, 100],
    usual: [0, 0.3],
  },
  built: 'Lead a fused wire from the battery’s positive side to a tap in the conductor.',
  caution: 'Fuse it at the battery: a bare feed that slips is a welding set.',
  describe: (ohms) => `short to supply through ${formatQuantity(ohms, 'Ω')}`,
  strike: (site, ohms) => halfWay(site, site.supply, ohms),
})
