import { asUsual, defineFault } from '../definition'

export const seized = defineFault({
  kind: 'seized',
  prior: asUsual,
  title: 'Seized',
  family: 'loads',
  drawsMore: true,
  heats: true,
  sameAs: ['dragging'],
  repairedBy: ['replace'],
  built: 'Hold the shaft with a clamp that cannot fly off.',
  caution: 'A held motor heats fast: seconds only, and a fuse of the branch’s own size.',
  describe: () => 'seized: draws its stall current',
  // The part's own equations know it.
  strike: ({ elements }) => [...elements],
})
