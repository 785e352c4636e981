/**
 * Strands of a wire of a section (mm²), as low-voltage cable with ordinary strands is sold (ISO 6722, from memory).
 * @param section mm²
 * @returns how many
 */
export function strandsOf(section: number): number {
  const known: readonly (readonly [number, number])[] = [
    [0.5, 16],
    [0.75, 24],
    [1, 32],
    [1.5, 30],
    [2.5, 50],
    [4, 56],
    [6, 84],
    [10, 80],
    [16, 126],
    [25, 196],
  ]
  return known.reduce((a, b) =>
    Math.abs(Math.log(b[0] / section)) < Math.abs(Math.log(a[0] / section)) ? b : a,
  )[1]
}
