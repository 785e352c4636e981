import { resistanceExponent as b, radiationExponent as g } from '../parts/lamp'
import type { Filament } from '../parts'
import { implicit, type Dynamic } from './dynamic'

/** Seconds that a 21 W filament's heat is worth at its rated watts; thicker ones hold more (common practice, no source). */
const heatOf21 = 0.045

/**
 * A filament that warms: C·dT/dt = v²/R(T) − P·(T^γ − Tₐ^γ)/(Tₙ^γ − Tₐ^γ). State: temperature as a share of the working
 * one. Cold it takes ten to fifteen times its working current.
 */
export function warmingFilament(filament: Filament, ambientKelvin: number): Dynamic {
  const { ratedVoltage, ratedPower, workingKelvin } = filament
  const hot = ratedVoltage ** 2 / ratedPower
  const cold = ambientKelvin / workingKelvin
  const ambient = cold ** g
  const heat = heatOf21 * Math.sqrt(ratedPower / 21)
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
