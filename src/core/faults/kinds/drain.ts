import { say } from '../../document'
import { asUsual, defineFault } from '../definition'

export const drain = defineFault({
  kind: 'drain',
  prior: asUsual,
  title: 'faults.drain.title',
  family: 'drains',
  drawsMore: true,
  madeBy: 'resistor',
  repairedBy: ['remove'],
  severity: {
    label: 'faults.drain.current',
    unit: 'A',
    least: 0.001,
    most: 20,
    preset: 0.5,
    grid: [0.001, 0.005, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20],
  },
  built: 'faults.drain.built',
  caution: 'faults.drain.caution',
  describe: (amps) => say('faults.drain.describe', { amps: { value: amps, unit: 'A' } }),
  strike: ({ elements, between: [, b], ground, owner, nominal }, amps) => [
    ...elements,
    {
      type: 'resistor',
      a: b,
      b: ground,
      ohms: nominal / amps,
      owner: { ...owner, segment: `${owner.segment}Drain` },
    },
  ],
})
