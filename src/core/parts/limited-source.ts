import type { Law } from '../solve'

/**
 * A source that holds `volts` behind `ohms`, gives `limit` amps at the most and takes nothing back. Both corners are
 * rounded so that the law stays smooth: with x the amps that are asked for and w the rounding, out = w·ln(1 + e^(x/w)),
 * cut by the limit in the same way. Current into the positive terminal is minus what it gives.
 */
export function limitedSourceLaw(volts: number, ohms: number, limit: number): Law {
  const round = 0.02 * limit
  /** x where it is positive, 0 where it is not, rounded; and the slope, without overflow. */
  const soft = (x: number): [number, number] => {
    const u = x / round
    if (u > 40) return [x, 1]
    const e = Math.exp(u)
    return [round * Math.log1p(e), e / (1 + e)]
  }
  return {
    start: volts - 2 * round * ohms,
    at(v, out) {
      const [asked, askedSlope] = soft((volts - v) / ohms)
      const [over, overSlope] = soft(asked - limit)
      out.current = over - asked + leak * (v - volts)
      out.slope = (askedSlope * (1 - overSlope)) / ohms + leak
    },
    spice: (name, a, b) => {
      const positive = (x: string) => `(max(${x},0)+${round}*ln(1+exp(-abs(${x})/${round})))`
      const asked = positive(`((${volts}-v(${a},${b}))/${ohms})`)
      const given = `(${asked}-${positive(`(${asked}-${limit})`)})`
      return [`B${name} ${a} ${b} I=${leak}*(v(${a},${b})-${volts})-${given}`]
    },
  }
}

/** Siemens that keep an idle source from floating. */
const leak = 1e-9
