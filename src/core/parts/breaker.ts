import { say } from '../document'
import { z } from 'zod'
import { choice, definePart, passive, quantity, type Notice } from './definition'

const notices = {
  closed: { key: 'closed', text: 'parts.breaker.closed' },
  cycles: { key: 'cycles', text: 'parts.breaker.cyclesTicksOffAndOn' },
  tripped: { key: 'tripped', text: 'parts.breaker.tripped' },
} as const satisfies Record<string, Notice>

/** Steady amps, over the rating, from which a thermal breaker trips: SAE J553's 135 % gate (from memory). */
const tripsAbove = 1.35

/** Thermal circuit breaker. One that resets itself cycles under an overload; one with a button stays off. */
export const breaker = definePart({
  kind: 'breaker',
  seeAlso: ['fuseAndWire', 'shortWithLamp'],
  symbol: 'breaker',
  access: 'cover',
  title: 'parts.breaker.title',
  letters: 'CB',
  quick: { words: ['breaker', 'circuit breaker'], main: ['rating'] },
  role: 'protection',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.supplySide' },
    { key: 'b', suffix: 'b', name: 'parts.breaker.loadSide' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'breaker', name: 'parts.breaker.breaker', segments: ['bimetal'] }],
  // Common practice, no source.
  spread: { ohms: 0.6 },
  parameters: z.object({
    rating: quantity('parts.rating', 'A', 1, 200, 20),
    ohms: quantity('parts.breaker.bimetalAndContacts', 'Ω', 0.0005, 0.2, 0.006),
    reset: choice('parts.breaker.reset', ['itself', 'hand'], 'itself', {
      itself: 'parts.breaker.byItself',
      hand: 'parts.breaker.byHand',
    }),
  }),
  segments: [
    { key: 'bimetal', name: 'parts.breaker.bimetal', between: ['a', 'b'], faults: [...passive, 'stuckOpen'] },
  ],
  protects: { segment: 'bimetal', rating: ({ rating }) => rating },
  modes: {
    rest: 'closed',
    all: ['closed', 'tripped'],
    next: ({ rating, reset }, { amps }, { mode }) => {
      if (mode === 'closed') return Math.abs(amps('bimetal')) > tripsAbove * rating ? 'tripped' : 'closed'
      return reset === 'itself' ? 'closed' : 'tripped'
    },
  },
  stamp: ({ ohms }, net, { mode }) => {
    if (mode !== 'tripped') net.resistor('bimetal', 'a', 'b', ohms, 0.15)
  },
  notice: {
    segment: 'bimetal',
    read: (_, __, { mode, inLimitCycle }) =>
      inLimitCycle ? notices.cycles : mode === 'tripped' ? notices.tripped : notices.closed,
    all: Object.values(notices),
  },
  summary: ({ rating, reset }) =>
    say(reset === 'itself' ? 'parts.breaker.itself' : 'parts.breaker.hand', {
      amps: { value: rating, unit: '' },
    }),
})
