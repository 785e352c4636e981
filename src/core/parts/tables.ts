import type { Table } from './definition'

/** Metric sections that vehicle wire is sold in, mm², and the nearest AWG (ISO 6722-1, ASTM B258; from memory). */
export const sectionTable: Table = [
  [0.35, 22],
  [0.5, 20],
  [0.75, 18],
  [1, 17],
  [1.5, 15],
  [2.5, 13],
  [4, 11],
  [6, 9],
  [10, 7],
  [16, 5],
  [25, 3],
  [35, 2],
  [50, 0],
].map(([value, gauge]) => ({ value: value!, text: `${value} mm², about AWG ${gauge}` }))

/** Ratings of blade fuses, A (ISO 8820-3; from memory). */
export const fuseTable: Table = [3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 80, 100].map((value) => ({
  value,
  text: `${value} A`,
}))

/** Filament lamps by their category in UN Regulation No. 37 (from memory), W. */
export const lampTable: Table = [
  { value: 3, text: '3 W: W3W' },
  { value: 5, text: '5 W: R5W, W5W' },
  { value: 10, text: '10 W: R10W' },
  { value: 16, text: '16 W: W16W' },
  { value: 21, text: '21 W: P21W, W21W' },
  { value: 35, text: '35 W: H8' },
  { value: 55, text: '55 W: H1, H3, H7' },
  { value: 60, text: '60 W: HB3' },
  { value: 70, text: '70 W: 24 V H3, H7' },
]
