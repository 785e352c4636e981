import type { Law } from '../solve'

/** Thermal voltage k·T/q, volts. `kelvin` absolute. CODATA 2018. */
export const thermalVoltage = (kelvin: number): number => 8.617333262e-5 * kelvin

export interface Junction {
  /** Amps. */
  saturation: number
  /** Emission coefficient. */
  emission: number
  /** K */
  kelvin: number
}

/** Temperature that SPICE takes unless told, K. */
const spiceKelvin = 300.15

/** Amps beyond which the exponential goes on as its tangent: no real junction gets there, but iteration may pass by. */
const tangentFrom = 1e4
/** Siemens across a junction, as SPICE's gmin: keeps a blocked one from floating. */
const leak = 1e-12

/** Shockley's law: i = I_s·(exp(v / (n·V_T)) − 1), plus 1 pS. Breakdown is left out. */
export function junctionLaw({ saturation, emission, kelvin }: Junction): Law {
  const scale = emission * thermalVoltage(kelvin)
  const knee = scale * Math.log(tangentFrom / saturation)
  const critical = scale * Math.log(scale / (Math.SQRT2 * saturation))
  return {
    // After Nagel, SPICE2 (Memorandum ERL-M520, 1975): beyond the knee the current, not the voltage, is stepped.
    limit(v, before) {
      if (v <= critical || Math.abs(v - before) <= 2 * scale) return v
      if (before <= 0) return scale * Math.log(v / scale)
      const grown = 1 + (v - before) / scale
      return grown > 0 ? before + scale * Math.log(grown) : critical
    },
    at(v, out) {
      if (v > knee) {
        out.slope = tangentFrom / scale + leak
        out.current = tangentFrom - saturation + ((v - knee) * tangentFrom) / scale + leak * v
        return
      }
      const grown = saturation * Math.exp(v / scale)
      out.current = grown - saturation + leak * v
      out.slope = grown / scale + leak
    },
    spice: (name, a, b) => [
      `D${name} ${a} ${b} J${name}`,
      `.model J${name} D(IS=${saturation} N=${(emission * kelvin) / spiceKelvin})`,
    ],
  }
}
