import type { FaultDefinition } from '../definition'

export const sticking: FaultDefinition = {
  kind: 'sticking',
  title: 'Sticks once pulled in',
  built: 'Wedge the armature so that its spring cannot lift it.',
  describe: () => 'sticks: stays in once it has pulled in',
  strike: ({ elements }) => [...elements],
}
