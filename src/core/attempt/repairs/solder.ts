import { defineRepair, isJoint, isWire } from './repair'

export const solder = defineRepair({
  key: 'solder',
  title: 'Solder and sleeve',
  about: 'Twist, solder, sleeve with glue: one of the two schools.',
  fits: (segment, part) => isWire(segment, part) || isJoint(segment, part),
  minutes: 12,
})
