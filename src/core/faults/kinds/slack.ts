import { formatQuantity } from '../../quantity'
import { defineFault } from '../definition'
import { inSeries } from '../strike'

export const slack = defineFault({
  kind: 'slack',
  prior: { weight: 0.5, why: 'shows only while something moves' },
  title: 'Slack terminal',
  family: 'resistance',
  reseats: true,
  repairedBy: ['terminal', 'recrimp', 'remake', 'replace'],
  severity: {
    label: 'Resistance while it is moved',
    unit: 'Ω',
    least: 0.5,
    most: 1e6,
    preset: 1e6,
    grid: [0.5, 2, 10, 100, 1e6],
  },
  built: 'Open the terminal’s jaws until the pin just falls out of it, then plug it together.',
  describe: (ohms) =>
    ohms >= 1e5 ? 'slack: opens when it is moved' : `slack: ${formatQuantity(ohms, 'Ω')} when it is moved`,
  strike: (site, ohms) =>
    inSeries(site, (a, b) => ({
      type: 'resistor',
      a,
      b,
      ohms: site.wiggled ? ohms : 0.03,
      owner: site.owner,
    })),
})
