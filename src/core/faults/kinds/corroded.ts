import { say } from '../../document'
import { corrodedColdOhms, corrodedLaw } from '../corrosion'
import { asUsual, defineFault } from '../definition'
import { inSeries } from '../strike'

export const corroded = defineFault({
  kind: 'corroded',
  prior: asUsual,
  title: 'faults.corroded.title',
  family: 'resistance',
  inLine: true,
  heats: true,
  sameAs: ['highResistance'],
  seen: { as: 'crusted' },
  repairedBy: ['remake', 'recrimp', 'solder', 'terminal', 'replace', 'moveGround', 'groundWire'],
  severity: {
    label: 'faults.corroded.mostItCanPass',
    unit: 'A',
    least: 0.05,
    most: 50,
    preset: 2,
    grid: [0.05, 0.1, 0.2, 0.35, 0.6, 1, 1.5, 2, 2.5, 3, 3.5, 4, 5, 7, 10, 20, 50],
  },
  cold: {
    label: 'faults.corroded.ohmsAtAMilliamp',
    unit: 'Ω',
    least: 0.05,
    most: 50,
    preset: corrodedColdOhms,
  },
  built: 'faults.corroded.built',
  caution: 'faults.corroded.caution',
  describe: (amps, { cold }) =>
    cold === corrodedColdOhms
      ? say('faults.corroded.passes', { amps: { value: amps, unit: 'A' } })
      : say('faults.corroded.ohms', {
          ohms: { value: cold, unit: 'Ω' },
          amps: { value: amps, unit: 'A' },
        }),
  strike: (site, amps) =>
    inSeries(site, (a, b) => ({
      type: 'nonlinear',
      a,
      b,
      law: corrodedLaw(site.cold, amps),
      owner: site.elements[0]!.owner,
    })),
})
