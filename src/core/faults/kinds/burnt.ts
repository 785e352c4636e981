import { formatQuantity } from '../../quantity'
import { defineFault } from '../definition'
import { inSeries } from '../strike'

export const burnt = defineFault({
  kind: 'burnt',
  prior: { weight: 0.5, why: 'contacts pit late in their life' },
  title: 'Contacts burnt',
  family: 'switching',
  heats: true,
  madeBy: 'resistor',
  sameAs: ['highResistance', 'corroded'],
  repairedBy: ['replace'],
  severity: {
    label: 'Resistance at a small current',
    unit: 'Ω',
    least: 0.02,
    most: 1000,
    preset: 0.5,
    grid: [0.05, 0.1, 0.2, 0.5, 1, 2, 5, 20, 100, 1000],
  },
  built: 'Fit a relay or switch with pitted contacts, or a resistor of this value in its contact lead.',
  caution: 'Burnt contacts get hot under load: short tests only.',
  describe: (ohms) => `contacts burnt: ${formatQuantity(ohms, 'Ω')}`,
  strike: (site, ohms) =>
    inSeries(site, (a, b) => ({ type: 'resistor', a, b, ohms, owner: site.elements[0]!.owner })),
})
