import type { Faces, TerminalKey } from './definition'

/**
 * Pins in two rows, numbered from above and from the left of the mating face (common practice, no source: the maker’s own
 * drawing counts).
 */
export function twoRows(keys: readonly TerminalKey[]): readonly (readonly TerminalKey[])[] {
  const half = Math.ceil(keys.length / 2)
  return [keys.slice(0, half), keys.slice(half)].filter(({ length }) => length > 0)
}

/** The socket of a relay, from the front: feed above, coil to either side, contacts below (ISO 7588, from memory). */
export const relayFace: Faces = {
  socket: [
    [null, 't30', null],
    ['t86', 't87a', 't85'],
    [null, 't87', null],
  ],
}
