import { z } from 'zod'
import { definePart, quantity, type Notice } from './definition'
import { formatPlain } from '../quantity'
import { limitedSourceLaw } from './limited-source'

const notices = {
  still: { key: 'still', text: 'does not charge' },
  idle: { key: 'idle', text: 'turns, does not charge' },
  charges: { key: 'charges', text: 'charges' },
} as const satisfies Record<string, Notice>

/**
 * Alternator that regulates at its own terminals; the battery sees what the cables leave of it. Its lamp terminal
 * excites it when the key is turned on and comes up to its own volts once it charges, so that the charge lamp goes out.
 * Charging systems hold 13.5 to 14.6 V; common practice values, no source.
 */
export const alternator = definePart({
  kind: 'alternator',
  seeAlso: ['chargingLoss', 'restVolts'],
  symbol: 'generator',
  access: 'under',
  fedUnfused: true,
  pinout: 'all',
  title: 'Alternator',
  letters: 'GA',
  topic: 'charging',
  quick: { words: ['alternator', 'generator'] },
  role: 'control',
  terminals: [
    { key: 'plus', suffix: '.B+', name: 'output stud' },
    { key: 'case', suffix: '.B−', name: 'case' },
    { key: 'lamp', suffix: '.L', name: 'charge lamp terminal' },
  ],
  through: ['plus', 'case'],
  passes: [
    { segment: 'exciter', symbol: 'coil', caption: 'exciter' },
    { segment: 'output', symbol: 'generator', caption: 'output' },
  ],
  units: [
    { key: 'machine', name: 'machine', segments: ['output', 'trio'] },
    { key: 'exciter', name: 'exciter', segments: ['exciter'] },
  ],
  // Common practice, no source.
  spread: { ohms: 0.6, exciterOhms: 0.6 },
  generates: true,
  steps: ['exciter'],
  parameters: z.object({
    volts: quantity('Regulated volts', 'V', 12, 30, 14.4),
    ohms: quantity('Output resistance', 'Ω', 0.001, 0.2, 0.008),
    limit: quantity('Most it gives', 'A', 10, 300, 90),
    exciterOhms: quantity('Exciter', 'Ω', 2, 200, 12),
  }),
  segments: [
    {
      key: 'output',
      name: 'windings, diodes and regulator',
      between: ['plus', 'case'],
      faults: ['open', 'weak'],
    },
    { key: 'exciter', name: 'exciter', between: ['lamp', 'case'], faults: ['open'] },
    { key: 'trio', name: 'exciter’s diodes', between: ['plus', 'lamp'], faults: ['open'] },
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
      net.curve(
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
  summary: ({ volts, limit }) => `${formatPlain(volts)} V, ${formatPlain(limit)} A`,
})
