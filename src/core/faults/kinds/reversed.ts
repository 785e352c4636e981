import { defineFault } from '../definition'

export const reversed = defineFault({
  kind: 'reversed',
  prior: { weight: 0.05, why: 'only after somebody has fitted it anew' },
  title: 'faults.reversed.title',
  family: 'wiring',
  drawsMore: true,
  repairedBy: ['turn'],
  built: 'faults.reversed.built',
  caution: 'faults.reversed.caution',
  describe: () => 'faults.reversed.connectedTheWrongWayRound',
  strike: ({ elements, between: [a, b] }) =>
    elements.map((e) => ({
      ...e,
      a: e.a === a ? b : e.a === b ? a : e.a,
      b: e.b === b ? a : e.b === a ? b : e.b,
    })),
})
