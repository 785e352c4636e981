import { defineRepair, isJoint } from './repair'

export const reseat = defineRepair({
  key: 'reseat',
  title: 'Reseat it',
  about: 'Unplug it and press it home again.',
  fits: (segment, part) => isJoint(segment, part),
  minutes: 2,
  reseats: true,
})
