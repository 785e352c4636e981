import type { Input } from './calculator'
import { fuseTypes } from '../parts'

/** What is said of every sum with a fuse's resistance in it. */
export const coldFuse = {
  assumes: 'Cold fuse of a common make: the same fuse of another make may read a fifth otherwise.',
  source: 'Volt drop of blade fuses at their rating, ISO 8820-3 and makers’ tables (from memory)',
}

/** Which body the fuse has, as a choice; `preset` counts from 0 in `fuseTypes`. */
export const fuseBody = (preset: number): Input => ({
  label: 'Body',
  unit: '',
  preset,
  least: 0,
  most: fuseTypes.length - 1,
  options: fuseTypes.map((text, value) => ({ value, text })),
})
