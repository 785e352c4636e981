import { formatQuantity } from '../../quantity'
import { corrodedColdOhms, corrodedLaw } from '../corrosion'
import { asUsual, defineFault } from '../definition'
import { inSeries } from '../strike'

export const corroded = defineFault({
  kind: 'corroded',
  prior: asUsual,
  title: 'Corroded joint',
  family: 'resistance',
  heats: true,
  sameAs: ['highResistance'],
  repairedBy: ['remake', 'recrimp', 'solder', 'terminal', 'replace'],
  severity: {
    label: 'Most it can pass',
    unit: 'A',
    least: 0.05,
    most: 50,
    preset: 2,
    grid: [0.05, 0.1, 0.2, 0.35, 0.6, 1, 1.5, 2, 2.5, 3, 3.5, 4, 5, 7, 10, 20],
  },
  cold: { label: 'Ohms at a milliamp', unit: 'Ω', least: 0.05, most: 50, preset: corrodedColdOhms },
  built: 'Age the terminal in salt water, or leave two or three strands in the crimp.',
  caution: 'A joint like this heats where it cannot be seen: limit the time that it is under load.',
  describe: (amps, { cold }) =>
    `corroded: ${cold === corrodedColdOhms ? 'passes a milliamp' : `${formatQuantity(cold, 'Ω')} at a milliamp`}, but never more than ${formatQuantity(amps, 'A')}`,
  strike: (site, amps) =>
    inSeries(site, (a, b) => ({
      type: 'curve',
      a,
      b,
      law: corrodedLaw(site.cold, amps),
      owner: site.elements[0]!.owner,
    })),
})
