import { figures } from '../document'
import { z } from 'zod'
import { definePart, quantity } from './definition'
import { diodeShape } from './diode-shape'
import { junctionLaw } from './junction'
import { formatPlain } from '../quantity'

/** Silicon diode: Shockley behind its series resistance. The stripe is the cathode, where a current leaves. */
export const diode = definePart({
  kind: 'diode',
  seeAlso: ['openByHalves'],
  symbol: 'diode',
  access: 'cover',
  title: 'parts.diode.title',
  letters: 'V',
  quick: { words: ['diode'] },
  ...diodeShape,
  parameters: z.object({
    ratedCurrent: quantity('parts.ratedAmps', 'A', 0.05, 50, 3),
    forwardVoltage: quantity('parts.diode.forwardVoltsAtRating', 'V', 0.3, 2, 0.9),
  }),
  stamp: ({ ratedCurrent, forwardVoltage }, net, { temperature }) => {
    const kelvin = temperature + 273.15
    const emission = 1.8
    // A fifth of the forward volts stands across the bulk (common practice, no source).
    const volts = 0.8 * forwardVoltage
    const saturation = ratedCurrent / Math.expm1(volts / (emission * 8.617333262e-5 * kelvin))
    net.nonlinear('junction', 'a', 'm', junctionLaw({ saturation, emission, kelvin }), 0.05)
    net.resistor('lead', 'm', 'k', (0.2 * forwardVoltage) / ratedCurrent, 0.2)
  },
  summary: ({ ratedCurrent }) => figures(`${formatPlain(ratedCurrent)} A`),
})
