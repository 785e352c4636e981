import { defineRepair } from './repair'

export const refit = defineRepair({
  key: 'refit',
  title: 'Fit the right fuse',
  about: 'The fuse that is printed on the holder, once its cause is known.',
  fits: (segment, part) => part.protects?.segment === segment.key && part.protects.melts === true,
  minutes: 1,
  consumes: true,
})
