import { defineRepair, isGround } from './repair'

/** A wire of its own to the battery’s negative side: it goes past a bad joint as past rusty metal. */
export const groundWire = defineRepair({
  key: 'groundWire',
  title: 'attempt.groundWire.title',
  about: 'attempt.groundWire.about',
  fits: (_, part) => isGround(part),
  minutes: 20,
})
