import { defineRepair } from './repair'

export const replace = defineRepair({
  key: 'replace',
  title: 'Replace it',
  about: 'A new part, or a new wire from end to end.',
  fits: () => true,
  minutes: 20,
  consumes: true,
})
