import { say, figures } from '../document'
import type { Table } from './definition'

/** Metric sections that vehicle wire is sold in, mm², and the nearest AWG (ISO 6722-1, ASTM B258; from memory). */
export const sectionTable = [
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
].map(([value, gauge]) => ({
  value: value!,
  gauge: gauge!,
  text: say('parts.sectionOfGauge', { section: { value: value!, unit: '' }, gauge: gauge! }),
}))

/** Ratings of blade fuses, A (ISO 8820-3; from memory). */
export const fuseTable: Table = [3, 4, 5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 80, 100].map((value) => ({
  value,
  text: figures(`${value} A`),
}))

/** Filament lamps by their category in UN Regulation No. 37 (from memory), W. */
export const lampTable = [
  [3, 'W3W'],
  [5, 'R5W, W5W'],
  [10, 'R10W'],
  [16, 'W16W'],
  [21, 'P21W, W21W'],
  [35, 'H8'],
  [55, 'H1, H3, H7'],
  [60, 'HB3'],
  [70, '24 V H3, H7'],
].map(([value, categories]) => ({
  value: Number(value),
  categories: String(categories),
  text: figures(`${value} W: ${categories}`),
}))
