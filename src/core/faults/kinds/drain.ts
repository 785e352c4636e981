import { formatQuantity } from '../../quantity'
import { asUsual, defineFault } from '../definition'

export const drain = defineFault({
  kind: 'drain',
  prior: asUsual,
  title: 'Drain: a load that stays on',
  family: 'drains',
  drawsMore: true,
  madeBy: 'resistor',
  repairedBy: ['remove'],
  severity: {
    label: 'Current',
    unit: 'A',
    least: 0.001,
    most: 20,
    preset: 0.5,
    grid: [0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5],
  },
  built: 'Hide a lamp or a resistor between this place and the frame.',
  caution: 'It flattens the battery: write down that it is there, and take it out after the lesson.',
  describe: (amps) => `a hidden load draws ${formatQuantity(amps, 'A')} from here`,
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
