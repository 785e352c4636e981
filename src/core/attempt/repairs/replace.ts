import { defineRepair } from './repair'

export const replace = defineRepair({
  key: 'replace',
  title: 'attempt.replace.title',
  about: 'attempt.replace.about',
  fits: () => true,
  minutes: 20,
  consumes: true,
})
