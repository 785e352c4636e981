import { defineRepair, isWire } from './repair'

export const insulate = defineRepair({
  key: 'insulate',
  title: 'Free and insulate the chafed place',
  about: 'Away from the metal, new sleeve, tied clear.',
  fits: (segment, part) => isWire(segment, part),
  minutes: 15,
})
