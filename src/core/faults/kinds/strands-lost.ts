import { say } from '../../document'
import { corrodedLaw } from '../corrosion'
import { asUsual, defineFault } from '../definition'
import { strandsOf } from '../../parts'
import { inSeries, fusingAmps } from '../strike'

/**
 * Ohms where the current crowds into `left`, the share of the strands that is left: they are bent, nicked and press on each
 * other badly. Fitted to what schools measure under a 55 W lamp: 12.29 before and 12.22 V behind a third of the strands,
 * 12.23 and 10.3 V at two of thirty (common practice, no source).
 */
const crowding = (left: number): number => 0.0014 * left ** -2.15

export const strandsLost = defineFault({
  kind: 'strandsLost',
  prior: asUsual,
  title: 'faults.strandsLost.title',
  family: 'resistance',
  madeBy: 'strands',
  sameAs: ['highResistance', 'corroded'],
  repairedBy: ['solder', 'recrimp', 'replace'],
  severity: {
    label: 'faults.strandsLost.title',
    unit: '%',
    least: 10,
    most: 99.9,
    preset: 93.3,
    grid: [10, 20, 50, 67, 80, 87, 90, 93.3, 95, 96.7, 98, 99, 99.9],
  },
  built: 'faults.strandsLost.built',
  caution: 'faults.strandsLost.caution',
  describe: (share, { section }) => {
    const of = section === undefined ? undefined : strandsOf(section)
    return of === undefined
      ? say('faults.strandsLost.share', { percent: { value: share, unit: '' } })
      : say('faults.strandsLost.counted', { cut: { value: (of * share) / 100, unit: '' }, of })
  },
  // 20 mm of what is left, and where the current crowds into it; it heats like a corroded joint, up to where it would melt.
  strike: (site, share) =>
    inSeries(site, (a, b) => {
      const area = Math.max(0.005, (site.section ?? 1.5) * (1 - share / 100))
      const cold = 0.02 / (58 * area) + crowding(1 - share / 100)
      const law = corrodedLaw(cold, fusingAmps(area))
      return { type: 'nonlinear', a, b, law, owner: site.owner }
    }),
})
