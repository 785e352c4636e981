import { figures } from '../document'
import { z } from 'zod'
import { definePart, passive, quantity } from './definition'
import { copperOhms } from './wire'
import { formatPlain } from '../quantity'

/**
 * Steady amps that a fusible link of `section` mm² stands: about 30 A per mm² to the power 0.75, which puts 1 mm² at 30 A
 * and 3 mm² near 70 A (common practice, no source).
 */
export const linkRating = (section: number): number => 30 * section ** 0.75

/** A short wire some gauges thinner than what it protects, in a sleeve that does not burn. */
export const fusibleLink = definePart({
  kind: 'fusibleLink',
  seeAlso: ['fuseAndWire', 'shortWithLamp'],
  symbol: 'fusibleLink',
  access: 'cover',
  cable: { segment: 'link', length: 'length', section: 'section' },
  title: 'parts.fusibleLink.title',
  letters: 'FL',
  quick: { words: ['fusible link', 'link'], main: ['section'] },
  role: 'protection',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.fusibleLink.supplyEyelet' },
    { key: 'b', suffix: 'b', name: 'parts.fusibleLink.loadEnd' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'link', name: 'parts.fusibleLink.link', segments: ['link'] }],
  // Common practice, no source.
  spread: { length: 0.08 },
  parameters: z.object({
    length: quantity('parts.length', 'm', 0.05, 0.5, 0.15),
    section: quantity('parts.section', 'mm²', 0.3, 10, 2),
  }),
  segments: [
    { key: 'link', name: 'parts.fusibleLink.link', between: ['a', 'b'], faults: ['blown', ...passive] },
  ],
  protects: {
    segment: 'link',
    melts: true,
    rating: ({ section }) => linkRating(section),
    // Chosen by section: half of what it guards, or less (common practice).
    guards: ({ section }) => 2 * section,
  },
  stamp: ({ length, section }, net, { temperature, blown }) => {
    if (!blown) net.resistor('link', 'a', 'b', copperOhms(length, section, temperature), 0.06)
  },
  summary: ({ section }) => figures(`${formatPlain(section)} mm²`),
})
