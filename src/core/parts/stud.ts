import { z } from 'zod'
import { choice, definePart, passive, quantity } from './definition'

/** Ohms of a sound joint by its thread: a tenth of a milliohm where a starter's amps go through (common practice, no source). */
const joint = (ohms: number) => ({ eyeletOhms: ohms, footOhms: ohms })

/** Ground stud: the wire's eyelet, the nut on its stud, and the chassis under it, each a probe point. */
export const stud = definePart({
  kind: 'stud',
  seeAlso: ['groundsThree', 'pointByPoint'],
  symbol: 'stud',
  access: 'hand',
  title: 'Ground stud',
  letters: 'G',
  topic: 'grounds',
  quick: { words: ['ground stud', 'stud', 'ground bolt', 'eyelet'] },
  role: 'connection',
  terminals: [
    { key: 'e', suffix: 'e', name: 'wire eyelet' },
    { key: 'n', suffix: 'n', name: 'nut and stud' },
    { key: 'c', suffix: 'c', name: 'chassis beside the stud' },
  ],
  through: ['e', 'c'],
  units: [
    { key: 'eyelet', name: 'eyelet', segments: ['eyelet'] },
    { key: 'foot', name: 'stud on chassis', segments: ['foot'] },
  ],
  // Common practice, no source.
  spread: { eyeletOhms: 0.6, footOhms: 0.6 },
  sizes: {
    by: 'thread',
    presets: { M5: joint(0.0012), M6: joint(0.0008), M8: joint(0.00008), M10: joint(0.00005) },
  },
  parameters: z.object({
    thread: choice('Thread', ['M5', 'M6', 'M8', 'M10'], 'M6'),
    eyeletOhms: quantity('Eyelet on stud', 'Ω', 0, 1, 0.0008),
    footOhms: quantity('Stud on chassis', 'Ω', 0, 1, 0.0008),
  }),
  segments: [
    { key: 'eyelet', name: 'eyelet on stud', between: ['e', 'n'], faults: [...passive, 'slack'] },
    { key: 'foot', name: 'stud on chassis', between: ['n', 'c'], faults: passive },
  ],
  detach: { verb: 'lift', done: 'lifted', opens: ['eyelet'], gap: ['e', 'n'] },
  stamp: ({ eyeletOhms, footOhms }, net) => {
    net.contact('eyelet', 'e', 'n', eyeletOhms)
    net.contact('foot', 'n', 'c', footOhms)
  },
  summary: ({ thread }) => (thread === 'M6' ? '' : thread),
})
