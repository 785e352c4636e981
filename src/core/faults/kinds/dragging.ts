import { asUsual, defineFault } from '../definition'

export const dragging = defineFault({
  kind: 'dragging',
  prior: asUsual,
  title: 'faults.dragging.title',
  family: 'loads',
  drawsMore: true,
  heats: true,
  sameAs: ['seized'],
  repairedBy: ['replace'],
  built: 'faults.dragging.built',
  caution: 'faults.dragging.caution',
  describe: () => 'faults.dragging.dragsThreeTimesItsFriction',
  strike: ({ elements }) => [...elements],
})
