import type { Law } from '../solve'

/**
 * A two-terminal element with one state of its own: a current, a charge's voltage, a temperature, a speed. Backward
 * Euler over a step h turns it into a law for the end of the step; h → ∞ is its steady law.
 */
export interface Dynamic {
  /** State once everything has settled with `v` volts across it. */
  readonly settled: (v: number) => number
  /** Law at the end of a step of `h` seconds that begins in state `x`. Its current rises with the volts. */
  readonly law: (x: number, h: number) => Law
  /** State at the end of that step, with `v` volts across it then. */
  readonly after: (x: number, h: number, v: number) => number
  /** Size of the state that matters, for the step control. */
  readonly scale: number
}

const noSpice = (): string[] => []

/**
 * A winding: v = R·i + L·di/dt. State: amps.
 * @param ohms Ω
 * @param henry H
 */
export function winding(ohms: number, henry: number): Dynamic {
  const amps = (x: number, h: number, v: number) => (v * h + henry * x) / (ohms * h + henry)
  return {
    settled: (v) => v / ohms,
    law: (x, h) => ({
      at(v, out) {
        out.current = amps(x, h, v)
        out.slope = h / (ohms * h + henry)
      },
      spice: noSpice,
    }),
    after: amps,
    scale: 1 / ohms,
  }
}

/**
 * A capacitor: i = C·dv/dt. State: volts.
 * @param farad F
 */
export function capacitor(farad: number): Dynamic {
  return {
    settled: (v) => v,
    law: (x, h) => ({
      at(v, out) {
        out.current = (farad * (v - x)) / h
        out.slope = farad / h
      },
      spice: noSpice,
    }),
    after: (_x, _h, v) => v,
    scale: 1,
  }
}

/** Any law whose state depends on the end of the step alone, by its own implicit equation. */
export interface Implicit {
  /** End state and amps for `v` at the end of a step of `h` from `x`. */
  readonly end: (x: number, h: number, v: number) => { readonly state: number; readonly amps: number }
  readonly settled: (v: number) => number
  readonly scale: number
}

/** Makes a dynamic of an implicit equation; the slope by a central difference, which is smooth enough for Newton. */
export function implicit({ end, settled, scale }: Implicit): Dynamic {
  return {
    settled,
    law: (x, h) => ({
      at(v, out) {
        const step = 1e-5 * (1 + Math.abs(v))
        out.current = end(x, h, v).amps
        out.slope = Math.max(1e-9, (end(x, h, v + step).amps - end(x, h, v - step).amps) / (2 * step))
      },
      spice: noSpice,
    }),
    after: (x, h, v) => end(x, h, v).state,
    scale,
  }
}
