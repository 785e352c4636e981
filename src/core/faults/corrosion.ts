import type { Law } from '../solve'

/** Ohms of a corroded joint at a milliamp, where it looks sound enough. */
export const corrodedColdOhms = 0.5

/**
 * A joint that conducts through a few thin bridges. They heat with what they pass, and their resistance with
 * them: R = R₀·(1 + κ·v·i). So v = R₀·i / (1 − (i/I)²) with I = 1/√(κR₀): Ohm's law at a milliamp, and never
 * more than I amps whatever the voltage. After the contact-voltage relation of Holm, Electric Contacts (from
 * memory); the saturation is our simplification.
 * @param coldOhms R₀, ohms at small currents
 * @param limit I, amps
 */
export function corrodedLaw(coldOhms: number, limit: number): Law {
  return {
    at(v, out) {
      const u = v / (coldOhms * limit)
      const root = Math.sqrt(1 + 4 * u * u)
      // 2u / (1 + root) is (root − 1) / 2u without the cancellation at small u.
      out.current = (limit * 2 * u) / (1 + root)
      out.slope = 2 / (coldOhms * root * (1 + root))
    },
    spice: (name, a, b) => {
      const u = `(v(${a},${b})/${coldOhms * limit})`
      return [`B${name} ${a} ${b} I=${2 * limit}*${u}/(1+sqrt(1+4*${u}*${u}))`]
    },
  }
}
