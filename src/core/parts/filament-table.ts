import type { CurveValue } from '../solve'

/**
 * Tungsten: R ∝ T^1.214 (T in kelvin) meets R/R₃₀₀ = 5.48, 10.03, 13.08, 16.29 at 1200, 2000, 2500, 3000 K
 * (Jones and Langmuir 1927, CRC Handbook; from memory) within 2 %.
 */
export const resistanceExponent = 1.214
/**
 * What the filament sheds ∝ T^γ − T_a^γ, with γ chosen so that near the rating I ∝ V^0.55 (lighting handbooks'
 * re-rating exponent): with R ∝ T^β, I ∝ V^((γ−β)/(γ+β)), so γ = β·1.55/0.45. Close to Stefan and Boltzmann's 4.
 */
export const radiationExponent = (resistanceExponent * 1.55) / 0.45

/** Volts over the rated ones that the table spans; below and above, the law itself is solved. */
const leastOctave = -12
const mostOctave = 4
/** Intervals per octave: their cubics miss the law by less than 1e-9 of the current (tested). */
const perOctave = 64

type Table = (share: number, out: CurveValue) => void

/** Tables by coldness. They are a cache: what they hold follows from their key alone. */
const tables = new Map<number, Table>()
const mostTables = 64

/**
 * Conductance of a filament over that at its rating, by volts over the rated ones: `out.current` gets the share and
 * `out.slope` its derivative with ln v. The heat balance needs logarithms and exponentials in a loop; a lamp's law runs more often than anything else, so
 * it is solved once at knots that lie evenly in each octave and joined by cubics through values and slopes (Hermite).
 * @param cold surroundings' temperature over the working one, both in kelvin
 */
export function filamentTable(cold: number): Table {
  const known = tables.get(cold)
  if (known) return known
  if (tables.size >= mostTables) tables.clear()
  const made = makeTable(cold)
  tables.set(cold, made)
  return made
}

function makeTable(cold: number): Table {
  const octaves = mostOctave - leastOctave
  const cubics = new Float64Array(octaves * perOctave * 4)
  const at: CurveValue = { current: 0, slope: 0 }
  for (let octave = 0; octave < octaves; octave++) {
    const base = 2 ** (octave + leastOctave)
    const width = base / perOctave
    for (let i = 0; i < perOctave; i++) {
      const from = base + i * width
      const to = from + width
      solveFilament(cold, from, at)
      const [y0, d0] = [at.current, (at.slope / from) * width]
      solveFilament(cold, to, at)
      const [y1, d1] = [at.current, (at.slope / to) * width]
      cubics.set([y0, d0, 3 * (y1 - y0) - 2 * d0 - d1, 2 * (y0 - y1) + d0 + d1], (octave * perOctave + i) * 4)
    }
  }
  const least = 2 ** leastOctave
  const most = 2 ** mostOctave
  return (share, out) => {
    if (!(share >= least && share < most)) return solveFilament(cold, share, out)
    // The exponent of the number tells the octave, without a logarithm.
    word[0] = share
    const octave = ((bits[1]! >>> 20) & 0x7ff) - 1023
    const within = (share * scale[octave - leastOctave]! - 1) * perOctave
    const i = within | 0
    const x = within - i
    const k = ((octave - leastOctave) * perOctave + i) * 4
    const [c1, c2, c3] = [cubics[k + 1]!, cubics[k + 2]!, cubics[k + 3]!]
    out.current = cubics[k]! + x * (c1 + x * (c2 + x * c3))
    out.slope = (c1 + x * (2 * c2 + x * 3 * c3)) * (within + perOctave)
  }
}

const word = new Float64Array(1)
const bits = new Uint32Array(word.buffer)
const scale = Array.from({ length: mostOctave - leastOctave }, (_, n) => 2 ** -(n + leastOctave))

/**
 * The same from the heat balance t^β (t^γ − ambient) = drive, t the temperature over the working one: Newton in ln t.
 */
export function solveFilament(cold: number, share: number, out: CurveValue): void {
  const b = resistanceExponent
  const g = radiationExponent
  const ambient = cold ** g
  const drive = share * share * (1 - ambient)
  const coldest = Math.log(cold)
  let u = drive === 0 ? coldest : Math.max(coldest, Math.log(drive) / (b + g))
  let e = Math.exp(b * u)
  let w = Math.exp(g * u)
  for (let n = 0; n < 60; n++) {
    const change = (e * (w - ambient) - drive) / (e * ((b + g) * w - b * ambient))
    u -= change
    e = Math.exp(b * u)
    w = Math.exp(g * u)
    if (Math.abs(change) < 1e-12) break
  }
  out.current = 1 / e
  // d ln T / d ln v = 2 drive / ((β+γ) t^(β+γ) − β ambient t^β); d ln G / d ln v = −β times that.
  const follow = (2 * (w - ambient)) / ((b + g) * w - b * ambient)
  out.slope = (-b * follow) / e
}
