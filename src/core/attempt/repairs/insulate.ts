import { defineRepair, isWire } from './repair'

export const insulate = defineRepair({
  key: 'insulate',
  title: 'attempt.insulate.title',
  about: 'attempt.insulate.about',
  fits: (segment, part) => isWire(segment, part),
  minutes: 15,
})
