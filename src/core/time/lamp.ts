import { resistanceExponent as b, radiationExponent as g } from '../parts/lamp'
import type { Filament } from '../parts'
import { implicit, type Dynamic } from './dynamic'

/**
 * Tungsten: density kg/m³, specific heat J/(kg·K) on the way up (132 at 300 K, about 190 at 2800 K), emissivity near 2800 K,
 * resistivity Ω·m at 300 K (CRC Handbook, from memory).
 */
const tungsten = { density: 19_250, specificHeat: 160, emissivity: 0.32, resistivity: 5.65e-8 }
/** Share of a coil's surface that its own turns do not shade; set so that the studies below are met. */
const free = 0.7
/** W/(m²·K⁴), Stefan and Boltzmann (CODATA). */
const sigma = 5.670374e-8

/**
 * Seconds that a filament's heat is worth at its rated watts. Its surface is what radiates the rated watts, its thickness what
 * then has the rated ohms: 21 W at 12 V are 0.12 mm and 16 mg, about 0.3 s. A stop lamp of 21 W takes about a quarter of a second
 * to nine tenths of its light (studies of stop lamps by Sivak and Flannagan, UMTRI 1993, from memory).
 */
export function heatOf({ ratedVoltage, ratedPower, workingKelvin }: Filament): number {
  const { density, specificHeat, emissivity, resistivity } = tungsten
  const surface = ratedPower / (free * emissivity * sigma * workingKelvin ** 4)
  const ohms = ratedVoltage ** 2 / ratedPower
  const hot = resistivity * (workingKelvin / 300) ** b
  const thickness = Math.cbrt((4 * hot * surface) / (Math.PI ** 2 * ohms))
  const mass = (density * surface * thickness) / 4
  return (mass * specificHeat * workingKelvin) / ratedPower
}

/**
 * A filament that warms: C·dT/dt = v²/R(T) − P·(T^γ − Tₐ^γ)/(Tₙ^γ − Tₐ^γ). State: temperature as a share of the working
 * one. Cold it takes ten to fifteen times its working current.
 */
export function warmingFilament(filament: Filament, ambientKelvin: number): Dynamic {
  const { ratedVoltage, ratedPower, workingKelvin } = filament
  const hot = ratedVoltage ** 2 / ratedPower
  const cold = ambientKelvin / workingKelvin
  const ambient = cold ** g
  const heat = heatOf(filament)
  // Everything over the rated power: heat·dt/ds = drive(v) / t^β − (t^γ − ambient) / (1 − ambient).
  const end = (x: number, h: number, v: number) => {
    const drive = (v / ratedVoltage) ** 2
    let low = Math.min(x, cold)
    let high = Math.max(x, 1) * 2.5
    let t = x
    for (let n = 0; n < 80; n++) {
      const miss = (heat * (t - x)) / h + (t ** g - ambient) / (1 - ambient) - drive / t ** b
      if (miss > 0) high = t
      else low = t
      const slope = heat / h + (g * t ** (g - 1)) / (1 - ambient) + (b * drive) / t ** (b + 1)
      const newton = t - miss / slope
      const next = newton > low && newton < high ? newton : (low + high) / 2
      if (Math.abs(next - t) < 1e-13) break
      t = next
    }
    return { state: t, amps: v / (hot * t ** b) }
  }
  return implicit({ end, settled: (v) => end(cold, 1e9, v).state, scale: 0.1 })
}
