import { asUsual, defineFault } from '../definition'

export const notSleeping = defineFault({
  kind: 'notSleeping',
  prior: asUsual,
  title: 'Does not fall asleep',
  family: 'drains',
  drawsMore: true,
  repairedBy: ['replace'],
  built: 'Hold its wake line up through a resistor.',
  caution: 'It flattens the battery: take it out after the lesson.',
  describe: () => 'stays awake after the key is off',
  strike: ({ elements }) => [...elements],
})
