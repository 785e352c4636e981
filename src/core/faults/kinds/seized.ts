import { asUsual, defineFault } from '../definition'

export const seized = defineFault({
  kind: 'seized',
  prior: asUsual,
  title: 'faults.seized.title',
  family: 'loads',
  drawsMore: true,
  heats: true,
  sameAs: ['dragging'],
  repairedBy: ['replace'],
  built: 'faults.seized.built',
  caution: 'faults.seized.caution',
  describe: () => 'faults.seized.seizedDrawsItsStallCurrent',
  // The part's own equations know it.
  strike: ({ elements }) => [...elements],
})
