import { defineRepair, isGround, isJoint } from './repair'

/** A loose nut or bolt holds again; rust or paint under it stays where it is. */
export const tighten = defineRepair({
  key: 'tighten',
  title: 'attempt.tighten.title',
  about: 'attempt.tighten.about',
  fits: (segment, part) => isGround(part) && isJoint(segment, part),
  minutes: 3,
})
