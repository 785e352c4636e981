import { formatPlain } from '../../quantity'
import { corrodedLaw } from '../corrosion'
import { defineFault } from '../definition'
import { inSeries, fusingAmps } from '../strike'

export const strandsLost = defineFault({
  kind: 'strandsLost',
  title: 'Strands lost',
  family: 'resistance',
  madeBy: 'strands',
  sameAs: ['highResistance', 'corroded'],
  repairedBy: ['solder', 'recrimp', 'replace'],
  severity: {
    label: 'Strands lost',
    unit: '%',
    least: 10,
    most: 99.9,
    preset: 97,
    grid: [20, 50, 80, 90, 95, 97, 98.5, 99.3, 99.9],
  },
  built: 'Open the sleeve over 20 mm and cut all but a few strands; sleeve it again.',
  caution: 'The strands that are left glow before they melt: branch’s own fuse, short time under load.',
  describe: (share) => `${formatPlain(share)} % of its strands lost`,
  // 20 mm of what is left and 2 mΩ where the current crowds into it; it heats like a corroded joint, up to where
  // it would melt.
  strike: (site, share) =>
    inSeries(site, (a, b) => {
      const area = Math.max(0.005, (site.section ?? 1.5) * (1 - share / 100))
      const cold = 0.02 / (58 * area) + 0.002
      const law = corrodedLaw(cold, fusingAmps(area))
      return { type: 'curve', a, b, law, owner: site.owner }
    }),
})
