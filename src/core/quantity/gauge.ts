/**
 * ASTM B258: diameter 0.127 mm · 92^((36 − n)/39) of gauge n (0 for 1/0), as an area in mm².
 * @param gauge AWG; 0 for 1/0
 * @returns mm²
 */
export function areaOfGauge(gauge: number): number {
  const diameter = 0.127 * 92 ** ((36 - gauge) / 39)
  return (Math.PI / 4) * diameter ** 2
}
