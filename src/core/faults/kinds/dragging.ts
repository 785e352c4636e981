import { defineFault } from '../definition'

export const dragging = defineFault({
  kind: 'dragging',
  title: 'Dragging',
  family: 'loads',
  drawsMore: true,
  sameAs: ['seized'],
  repairedBy: ['replace'],
  built: 'Brake the shaft lightly with a felt pad.',
  describe: () => 'drags: three times its friction',
  strike: ({ elements }) => [...elements],
})
