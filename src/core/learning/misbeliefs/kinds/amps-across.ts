import { defineMisbelief } from '../misbelief'

export const ampsAcross = defineMisbelief({
  key: 'ampsAcross',
  // It costs a fuse: nobody does it often, and hardly anybody who knows better does it at all.
  chances: { held: 0.7, not: 0.02 },
  drills: ['unsafe', 'setMeter'],
  rule: 'ammeterAcross',
  occasions: ({ readings }) =>
    readings
      .filter(({ step }) => step.instrument === 'amps')
      .map(({ index, breaks }) => ({ step: index, shown: breaks.has('ammeterAcross') })),
})
