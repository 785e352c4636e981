import { defineFault } from '../definition'

export const reversed = defineFault({
  kind: 'reversed',
  prior: { weight: 0.05, why: 'only after somebody has fitted it anew' },
  title: 'Connected the wrong way round',
  family: 'wiring',
  drawsMore: true,
  repairedBy: ['turn'],
  built: 'Change the two wires over at its terminals.',
  caution: 'With a diode inside this is nearly a short: only behind a fuse of the branch’s own size.',
  describe: () => 'connected the wrong way round',
  strike: ({ elements, between: [a, b] }) =>
    elements.map((e) => ({
      ...e,
      a: e.a === a ? b : e.a === b ? a : e.a,
      b: e.b === b ? a : e.b === a ? b : e.b,
    })),
})
