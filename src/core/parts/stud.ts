import { figures } from '../document'
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
  title: 'parts.stud.title',
  letters: 'G',
  topic: 'grounds',
  quick: { words: ['ground stud', 'stud', 'ground bolt', 'eyelet'] },
  role: 'connection',
  terminals: [
    { key: 'e', suffix: 'e', name: 'parts.stud.wireEyelet' },
    { key: 'n', suffix: 'n', name: 'parts.stud.nutAndStud' },
    { key: 'c', suffix: 'c', name: 'parts.stud.chassisBesideTheStud' },
  ],
  through: ['e', 'c'],
  units: [
    { key: 'eyelet', name: 'parts.stud.eyelet', segments: ['eyelet'] },
    { key: 'foot', name: 'parts.stud.studOnChassis', segments: ['foot'] },
  ],
  // Common practice, no source.
  spread: { eyeletOhms: 0.6, footOhms: 0.6 },
  sizes: {
    by: 'thread',
    presets: { M5: joint(0.0012), M6: joint(0.0008), M8: joint(0.00008), M10: joint(0.00005) },
  },
  parameters: z.object({
    thread: choice('parts.stud.thread', ['M5', 'M6', 'M8', 'M10'], 'M6', {
      M5: figures('M5'),
      M6: figures('M6'),
      M8: figures('M8'),
      M10: figures('M10'),
    }),
    eyeletOhms: quantity('parts.stud.eyeletOnStud', 'Ω', 0, 1, 0.0008),
    footOhms: quantity('parts.stud.studOnChassis2', 'Ω', 0, 1, 0.0008),
  }),
  segments: [
    { key: 'eyelet', name: 'parts.stud.eyeletOnStud2', between: ['e', 'n'], faults: [...passive, 'slack'] },
    { key: 'foot', name: 'parts.stud.studOnChassis', between: ['n', 'c'], faults: passive },
  ],
  detach: { verb: 'parts.lift', done: 'parts.lifted', opens: ['eyelet'], gap: ['e', 'n'] },
  stamp: ({ eyeletOhms, footOhms }, net) => {
    net.contact('eyelet', 'e', 'n', eyeletOhms)
    net.contact('foot', 'n', 'c', footOhms)
  },
  summary: ({ thread }) => figures(thread === 'M6' ? '' : thread),
})
