import { say } from '../document'
import { z } from 'zod'
import { definePart, quantity } from './definition'
import { diodeShape } from './diode-shape'
import { junctionLaw, thermalVoltage } from './junction'

const traceAmps = 1e-3

/** Saturation amps of a junction that drops `volts` at one milliamp; `kelvin` absolute. Shockley's law, solved for I_s. */
export const saturationOf = (volts: number, emission: number, kelvin: number): number =>
  traceAmps / Math.expm1(volts / (emission * thermalVoltage(kelvin)))

/** Volts that a junction of these saturation amps drops at one milliamp. */
export const kneeVolts = (saturation: number, emission: number, kelvin: number): number =>
  emission * thermalVoltage(kelvin) * Math.log1p(traceAmps / saturation)

/** Diode by its curve: germanium, Schottky, a string of them; Shockley's law through one measured point. */
export const curveDiode = definePart({
  kind: 'curveDiode',
  seeAlso: ['ohm'],
  symbol: 'curveDiode',
  access: 'cover',
  title: 'parts.curveDiode.title',
  letters: 'VC',
  steps: ['junction'],
  quick: { words: ['curve diode', 'schottky'], main: ['kneeVolts'] },
  ...diodeShape,
  // Common practice, no source.
  spread: { ohms: 0.6 },
  parameters: z.object({
    kneeVolts: quantity('parts.curveDiode.forwardVoltsAt1Ma', 'V', 0.02, 6, 0.25),
    emission: quantity('parts.curveDiode.emissionCoefficient', '', 0.5, 8, 1.05),
    ohms: quantity('parts.curveDiode.seriesResistance', 'Ω', 0, 100, 0.02),
  }),
  stamp: ({ kneeVolts: volts, emission, ohms }, net, { temperature }) => {
    const kelvin = temperature + 273.15
    const saturation = saturationOf(volts, emission, kelvin)
    net.nonlinear('junction', 'a', 'm', junctionLaw({ saturation, emission, kelvin }), 0.05)
    net.resistor('lead', 'm', 'k', Math.max(ohms, 1e-6), 0.2)
  },
  summary: ({ kneeVolts: volts }) => say('parts.curveDiode.at', { volts: { value: volts, unit: '' } }),
})
