import { asUsual, defineFault } from '../definition'

export const dragging = defineFault({
  kind: 'dragging',
  prior: asUsual,
  title: 'Dragging',
  family: 'loads',
  drawsMore: true,
  heats: true,
  sameAs: ['seized'],
  repairedBy: ['replace'],
  built: 'Brake the shaft lightly with a felt pad.',
  caution: 'A motor that drags takes more current and gets hot: seconds only, hands clear of what turns.',
  describe: () => 'drags: three times its friction',
  strike: ({ elements }) => [...elements],
})
