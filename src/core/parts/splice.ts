import { z } from 'zod'
import { definePart, passive, quantity } from './definition'

/** Crimped or soldered splice under its sleeve. */
export const splice = definePart({
  kind: 'splice',
  seeAlso: ['wireRepair', 'openByHalves'],
  symbol: 'splice',
  access: 'under',
  title: 'Splice',
  letters: 'SPL',
  quick: { words: ['splice', 'junction block', 'joint', 'branch'] },
  role: 'connection',
  terminals: [
    { key: 'a', suffix: 'a', name: 'supply side' },
    { key: 'b', suffix: 'b', name: 'far side' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'crimp', name: 'crimp', segments: ['crimp'] }],
  // Common practice, no source.
  spread: { ohms: 0.6 },
  parameters: z.object({ ohms: quantity('Crimp', 'Ω', 0, 1, 0.0015) }),
  segments: [{ key: 'crimp', name: 'crimp', between: ['a', 'b'], faults: [...passive, 'slack'] }],
  stamp: ({ ohms }, net) => net.contact('crimp', 'a', 'b', ohms),
  summary: () => '',
})
