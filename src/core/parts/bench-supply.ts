import { figures } from '../document'
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
  title: 'parts.benchSupply.title',
  letters: 'BS',
  quick: { words: ['bench supply', 'supply'], main: ['volts'] },
  role: 'source',
  // Common practice, no source.
  limitsAmps: 10,
  terminals: [
    { key: 'p', suffix: 'p', name: 'parts.benchSupply.positiveLead' },
    { key: 'pos', suffix: '+', name: 'parts.positivePost' },
    { key: 'neg', suffix: '−', name: 'parts.negativePost' },
    { key: 'n', suffix: 'n', name: 'parts.benchSupply.negativeLead' },
  ],
  through: ['p', 'n'],
  units: [
    { key: 'plus', name: 'parts.positiveClamp', segments: ['clampPlus'] },
    { key: 'cells', name: 'parts.supply', segments: ['cells'] },
    { key: 'minus', name: 'parts.negativeClamp', segments: ['clampMinus'] },
  ],
  // Common practice, no source.
  spread: { volts: 0.01, ohms: 0.6, clampOhms: 0.6 },
  parameters: z.object({
    volts: quantity('parts.benchSupply.voltsSet', 'V', 0.1, 60, 12.6),
    ohms: quantity('parts.benchSupply.innerResistance', 'Ω', 1e-6, 10, 0.01),
    clampOhms: quantity('parts.clampContact', 'Ω', 0, 1, 0.0002),
  }),
  segments: [
    { key: 'clampPlus', name: 'parts.positiveClamp', between: ['p', 'pos'], faults: passive },
    { key: 'cells', name: 'parts.supply', between: ['pos', 'neg'], faults: [] },
    { key: 'clampMinus', name: 'parts.negativeClamp', between: ['neg', 'n'], faults: passive },
  ],
  detach: { verb: 'parts.lift', done: 'parts.lifted', opens: ['clampMinus'], gap: ['n', 'neg'] },
  stamp: ({ volts, ohms, clampOhms }, net) => {
    net.contact('clampPlus', 'p', 'pos', clampOhms)
    net.source('cells', 'pos', 'neg', volts, ohms, 0.05)
    net.contact('clampMinus', 'neg', 'n', clampOhms)
  },
  summary: ({ volts }) => figures(`${formatPlain(volts)} V`),
})
