import { defineRepair } from './repair'

export const refit = defineRepair({
  key: 'refit',
  title: 'attempt.refit.title',
  about: 'attempt.refit.about',
  fits: (segment, part) => part.protects?.segment === segment.key && part.protects.melts === true,
  minutes: 1,
  consumes: true,
})
