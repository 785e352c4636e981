import { figures } from '../document'
import { z } from 'zod'
import { definePart, passive, quantity } from './definition'

/** Crimped or soldered splice under its sleeve. */
export const splice = definePart({
  kind: 'splice',
  seeAlso: ['wireRepair', 'openByHalves'],
  symbol: 'splice',
  access: 'under',
  title: 'parts.splice.title',
  letters: 'SPL',
  quick: { words: ['splice', 'junction block', 'joint', 'branch'] },
  role: 'connection',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.supplySide' },
    { key: 'b', suffix: 'b', name: 'parts.splice.farSide' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'crimp', name: 'parts.splice.crimp', segments: ['crimp'] }],
  // Common practice, no source.
  spread: { ohms: 0.6 },
  parameters: z.object({ ohms: quantity('parts.splice.crimp2', 'Ω', 0, 1, 0.0015) }),
  segments: [
    { key: 'crimp', name: 'parts.splice.crimp', between: ['a', 'b'], faults: [...passive, 'slack'] },
  ],
  stamp: ({ ohms }, net) => net.contact('crimp', 'a', 'b', ohms),
  summary: () => figures(''),
})
