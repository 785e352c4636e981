import type { Input } from './calculator'
import { fuseTypes } from '../parts'

/** What is said of every sum with a fuse's resistance in it. */
export const coldFuse = {
  assumes: 'handbook.coldFuse.assumes',
  source: 'handbook.coldFuse.source',
} as const

/** Which body the fuse has, as a choice; `preset` counts from 0 in `fuseTypes`. */
export const fuseBody = (preset: number): Input => ({
  label: 'handbook.coldFuse.body',
  unit: '',
  preset,
  least: 0,
  most: fuseTypes.length - 1,
  options: fuseTypes.map((type, value) => ({ value, text: `parts.body.${type}` as const })),
})
