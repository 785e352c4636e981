import { z } from 'zod'
import { definePart, passive, quantity } from './definition'
import { formatPlain } from '../quantity'

/** Bench supply: holds its volts behind a small resistance. Its two clamps are joints like a battery's. */
export const benchSupply = definePart({
  kind: 'benchSupply',
  seeAlso: ['sum'],
  symbol: 'benchSupply',
  access: 'hand',
  supplies: { volts: ({ volts }) => volts },
  title: 'Bench supply',
  letters: 'BS',
  quick: { words: ['bench supply', 'supply'], main: ['volts'] },
  role: 'source',
  // Common practice, no source.
  limitsAmps: 10,
  terminals: [
    { key: 'p', suffix: 'p', name: 'positive lead' },
    { key: 'pos', suffix: '+', name: 'positive post' },
    { key: 'neg', suffix: '−', name: 'negative post' },
    { key: 'n', suffix: 'n', name: 'negative lead' },
  ],
  through: ['p', 'n'],
  units: [
    { key: 'plus', name: 'positive clamp', segments: ['clampPlus'] },
    { key: 'cells', name: 'supply', segments: ['cells'] },
    { key: 'minus', name: 'negative clamp', segments: ['clampMinus'] },
  ],
  // Common practice, no source.
  spread: { volts: 0.01, ohms: 0.6, clampOhms: 0.6 },
  parameters: z.object({
    volts: quantity('Volts set', 'V', 0.1, 60, 12.6),
    ohms: quantity('Inner resistance', 'Ω', 1e-6, 10, 0.01),
    clampOhms: quantity('Clamp contact', 'Ω', 0, 1, 0.0002),
  }),
  segments: [
    { key: 'clampPlus', name: 'positive clamp', between: ['p', 'pos'], faults: passive },
    { key: 'cells', name: 'supply', between: ['pos', 'neg'], faults: [] },
    { key: 'clampMinus', name: 'negative clamp', between: ['neg', 'n'], faults: passive },
  ],
  detach: { verb: 'lift', done: 'lifted', opens: ['clampMinus'], gap: ['n', 'neg'] },
  stamp: ({ volts, ohms, clampOhms }, net) => {
    net.contact('clampPlus', 'p', 'pos', clampOhms)
    net.source('cells', 'pos', 'neg', volts, ohms, 0.05)
    net.contact('clampMinus', 'neg', 'n', clampOhms)
  },
  summary: ({ volts }) => `${formatPlain(volts)} V`,
})
