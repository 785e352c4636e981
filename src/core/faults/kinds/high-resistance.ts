import { formatQuantity } from '../../quantity'
import { asUsual, defineFault } from '../definition'
import { inSeries } from '../strike'

export const highResistance = defineFault({
  kind: 'highResistance',
  prior: asUsual,
  title: 'High resistance',
  family: 'resistance',
  heats: true,
  madeBy: 'resistor',
  sameAs: ['corroded'],
  repairedBy: ['remake', 'recrimp', 'solder', 'terminal', 'replace'],
  severity: {
    label: 'Resistance',
    unit: 'Ω',
    least: 0.01,
    most: 10000,
    preset: 1,
    grid: [0.05, 0.1, 0.2, 0.4, 0.7, 1, 1.5, 2.2, 3.3, 5, 8, 15, 30, 60, 150, 500, 2000, 10000],
  },
  built: 'Solder a resistor of this value in series, rated for the heat.',
  caution: 'The resistor gets hot: keep it clear of hands and plastics, and switch on for short tests only.',
  describe: (ohms) => `${formatQuantity(ohms, 'Ω')} in series`,
  strike: (site, ohms) =>
    inSeries(site, (a, b) => ({ type: 'resistor', a, b, ohms, owner: site.elements[0]!.owner })),
})
