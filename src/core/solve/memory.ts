import type { Element } from './element'

/** Parts of one piece of memory: boards are laid out by the thousand, and an allocation costs as much as an iteration. */
export function pieces(length: number): (count: number) => Float64Array {
  const { buffer } = new Float64Array(length)
  let taken = 0
  return (count) => {
    const piece = new Float64Array(buffer, 8 * taken, count)
    taken += count
    return piece
  }
}

/** Nonlinear elements: each needs room for its slope, its amps and where it was looked at. */
export function countCurves(elements: readonly Element[]): number {
  let count = 0
  for (const { type } of elements) if (type === 'curve') count++
  return count
}
