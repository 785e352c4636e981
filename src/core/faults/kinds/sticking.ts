import { asUsual, defineFault } from '../definition'

export const sticking = defineFault({
  kind: 'sticking',
  prior: asUsual,
  title: 'Sticks once pulled in',
  family: 'switching',
  sameAs: ['welded'],
  repairedBy: ['replace'],
  built: 'Wedge the armature so that its spring cannot lift it.',
  describe: () => 'sticks: stays in once it has pulled in',
  strike: ({ elements }) => [...elements],
})
