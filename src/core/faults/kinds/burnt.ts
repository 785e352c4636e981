import { say } from '../../document'
import { defineFault } from '../definition'
import { inSeries } from '../strike'

export const burnt = defineFault({
  kind: 'burnt',
  prior: { weight: 0.5, why: 'contacts pit late in their life' },
  title: 'faults.burnt.title',
  family: 'switching',
  heats: true,
  madeBy: 'resistor',
  sameAs: ['highResistance', 'corroded'],
  seen: { as: 'browned', apart: true },
  repairedBy: ['replace'],
  severity: {
    label: 'faults.burnt.resistanceAtASmallCurrent',
    unit: 'Ω',
    least: 0.02,
    most: 1000,
    preset: 0.5,
    grid: [0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 20, 100, 1000],
  },
  built: 'faults.burnt.built',
  caution: 'faults.burnt.caution',
  describe: (ohms) => say('faults.burnt.describe', { ohms: { value: ohms, unit: 'Ω' } }),
  strike: (site, ohms) =>
    inSeries(site, (a, b) => ({ type: 'resistor', a, b, ohms, owner: site.elements[0]!.owner })),
})
