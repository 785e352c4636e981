import type { Device } from '../../../core/instruments'

/** Our own pictures of what lies in the bag: strokes on a field of 32 by 24. */
export const deviceSymbols: Readonly<Record<Device, string>> = {
  // A case with its display and dial, and two leads.
  multimeter:
    'M10 3h12v18H10z M13 6h6v4h-6z M18 15.5a2 2 0 1 1-4 0a2 2 0 1 1 4 0 M10 18C6 18 6 13 3 13 M22 18c4 0 4-5 7-5',
  // Open jaws round a wire, and a grip.
  clamp: 'M13 9a5 5 0 1 1 6 0 M16 4.5v0 M13 9l-1 3h8l-1-3 M12.5 12v9h7v-9 M2 5.5h8 M22 5.5h8',
  // A lamp between a probe and a clip.
  lamps:
    'M21 12a5 5 0 1 1-10 0a5 5 0 1 1 10 0 M12.5 8.5l7 7 M19.5 8.5l-7 7 M11 12H3 M21 12h6 M27 9v6 M30 10v4',
  // A bridge over a gap, a load below it.
  loads: 'M3 16V7h26v9 M3 16h7 M22 16h7 M10 13h12v6H10z',
  // A battery with a needle over it.
  battery: 'M5 10h22v11H5z M8 10V7h4v3 M20 10V7h4v3 M10 18a6.5 6.5 0 0 1 12 0 M16 18l3.5-4',
  // A part taken out, measured between two tips.
  hand: 'M11 8h10v8H11z M11 12H7 M21 12h4 M3 3l4 9-4 9 M29 3l-4 9 4 9',
  // A box that reads along, with its plug.
  scan: 'M3 4h16v16H3z M6 8h10 M6 12h7 M6 16h9 M19 12h4 M23 8h6l-1.5 8h-3z',
}
