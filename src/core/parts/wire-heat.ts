/**
 * How soon a copper conductor gets too hot, all heat kept (adiabatic, t = (k·A/I)², as IEC 60949 has it; from memory).
 * k in A·√s/mm² for PVC from 70 °C to the 160 °C at which it smokes: 115 (IEC 60364-5-54, from memory); from 20 °C to the
 * melting point of copper, 1083 °C: 226·√ln((234.5 + 1083) / (234.5 + 20)) ≈ 290.
 */
const smoking = 115
const melting = 226 * Math.sqrt(Math.log((234.5 + 1083) / (234.5 + 20)))

/** A conductor that nothing protects is gone when its copper would have melted within so many seconds. */
const burnsWithin = 10

/**
 * Whether a conductor of `area` mm² burns through before anybody can switch off.
 * @param area mm²
 * @param amps A
 */
export const burns = (area: number, amps: number): boolean => ((melting * area) / amps) ** 2 < burnsWithin

/** Longer than this the heat goes off as fast as it comes, and the reckoning says nothing, s. */
const keptFor = 60

/**
 * Seconds until the insulation smokes and until the copper melts; undefined where the current is none that burns.
 * @param area mm²
 * @param amps A
 */
export function overheats(
  area: number,
  amps: number,
): { readonly smokes: number; readonly melts: number } | undefined {
  const seconds = (k: number) => ((k * area) / amps) ** 2
  const smokes = seconds(smoking)
  return smokes > keptFor ? undefined : { smokes, melts: seconds(melting) }
}
