import { figures } from '../document'
import { z } from 'zod'
import { definePart, quantity, type Notice } from './definition'
import { formatPlain } from '../quantity'
import { limitedSourceLaw } from './limited-source'

const notices = {
  still: { key: 'still', text: 'parts.alternator.doesNotCharge' },
  idle: { key: 'idle', text: 'parts.alternator.turnsDoesNotCharge' },
  charges: { key: 'charges', text: 'parts.alternator.charges' },
} as const satisfies Record<string, Notice>

/**
 * Alternator that regulates at its own terminals; the battery sees what the cables leave of it. Its lamp terminal
 * excites it when the key is turned on and comes up to its own volts once it charges, so that the charge lamp goes out.
 * Charging systems hold 13.5 to 14.6 V, and a regulator lets them fall by some two tenths up to its limit; common practice
 * values, no source.
 */
export const alternator = definePart({
  kind: 'alternator',
  seeAlso: ['chargingLoss', 'restVolts'],
  symbol: 'generator',
  access: 'under',
  fedUnfused: true,
  pinout: 'all',
  title: 'parts.alternator.title',
  letters: 'GA',
  topic: 'charging',
  quick: { words: ['alternator', 'generator'] },
  role: 'control',
  terminals: [
    { key: 'plus', suffix: '.B+', name: 'parts.alternator.outputStud' },
    { key: 'case', suffix: '.B−', name: 'parts.case' },
    { key: 'lamp', suffix: '.L', name: 'parts.alternator.chargeLampTerminal' },
  ],
  through: ['plus', 'case'],
  passes: [
    { segment: 'exciter', symbol: 'coil', caption: 'parts.alternator.exciter' },
    { segment: 'output', symbol: 'generator', caption: 'parts.output' },
  ],
  units: [
    { key: 'machine', name: 'parts.alternator.machine', segments: ['output', 'trio'] },
    { key: 'exciter', name: 'parts.alternator.exciter', segments: ['exciter'] },
  ],
  orderedAs: ['output', 'trio', 'exciter'],
  // Common practice, no source.
  spread: { ohms: 0.6, exciterOhms: 0.6 },
  generates: true,
  steps: ['exciter'],
  parameters: z.object({
    volts: quantity('parts.alternator.regulatedVolts', 'V', 12, 30, 14.4),
    ohms: quantity('parts.alternator.outputResistance', 'Ω', 0.001, 0.2, 0.002),
    limit: quantity('parts.alternator.mostItGives', 'A', 10, 300, 90),
    exciterOhms: quantity('parts.alternator.exciter2', 'Ω', 2, 200, 12),
  }),
  segments: [
    {
      key: 'output',
      name: 'parts.alternator.windingsDiodesAndRegulator',
      between: ['plus', 'case'],
      faults: ['open', 'weak'],
    },
    { key: 'exciter', name: 'parts.alternator.exciter', between: ['lamp', 'case'], faults: ['open'] },
    { key: 'trio', name: 'parts.alternator.excitersDiodes', between: ['plus', 'lamp'], faults: ['open'] },
  ],
  modes: {
    rest: 'idle',
    all: ['idle', 'charging'],
    next: (_, { volts }, { mode, engineRuns }) => {
      if (!engineRuns) return 'idle'
      return mode === 'charging' || volts('lamp', 'case') > 0.4 ? 'charging' : 'idle'
    },
  },
  benchPairs: [['lamp', 'case']],
  stamp: ({ volts, ohms, limit, exciterOhms }, net, { mode, temperature }) => {
    if (mode === 'charging') {
      // Regulators give about 10 mV less per kelvin (common practice, no source).
      net.nonlinear(
        'output',
        'plus',
        'case',
        limitedSourceLaw(volts - 0.01 * (temperature - 20), ohms, limit),
        0.02,
      )
      net.resistor('trio', 'plus', 'lamp', 0.5, 0.2)
    } else {
      // The diodes block: what leaks back through them is a milliamp at the most.
      net.resistor('output', 'plus', 'case', 30000, 0.5)
    }
    net.resistor('exciter', 'lamp', 'case', mode === 'charging' ? 4 * exciterOhms : exciterOhms, 0.2)
  },
  notice: {
    segment: 'output',
    read: (_, { amps }, { mode }) =>
      mode !== 'charging' ? notices.still : amps < -0.05 ? notices.charges : notices.idle,
    all: Object.values(notices),
  },
  summary: ({ volts, limit }) => figures(`${formatPlain(volts)} V, ${formatPlain(limit)} A`),
})
