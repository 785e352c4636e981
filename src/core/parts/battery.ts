import { figures } from '../document'
import { z } from 'zod'
import { definePart, passive, quantity } from './definition'
import { formatPlain } from '../quantity'
import type { Law } from '../solve'

/**
 * Open-circuit volts of one 12 V block at `charge` percent, rested, 25 °C. Common workshop table, no source.
 * @param charge percent
 * @returns V
 */
export function openCircuitVoltage(charge: number): number {
  const table = [11.6, 11.9, 12.06, 12.24, 12.45, 12.68]
  const at = Math.min(4, Math.floor(charge / 20))
  const low = table[at]!
  return low + (table[at + 1]! - low) * (charge / 20 - at)
}

/**
 * Ohms inside one 12 V block. The cold-cranking test of SAE J537 and EN 50342-1 (from memory): at −18 °C
 * the rated amps may pull it to 7.5 V after 10 s, so R(−18 °C) ≈ (12.5 − 7.5) / amps: ohms as they are after some seconds of
 * a heavy load, what the plates set against it included. By 25 °C they fall to two thirds, so that half the rating for
 * fifteen seconds ends between 10.2 and 10.8 V; they rise as the charge goes, below half of it steeply (common practice, no source).
 * @param coldCrankingAmps A
 * @param charge percent
 * @param temperature °C
 * @returns Ω
 */
export function internalResistance(coldCrankingAmps: number, charge: number, temperature: number): number {
  const cold = (12.5 - 7.5) / coldCrankingAmps
  const warmth = 2 ** (-(temperature + 18) / 90)
  return (cold * warmth) / readiness(charge / 100)
}

/**
 * How much of a full block's current one can give: three fifths fall with the charge; below half of it the acid thins, and an empty
 * one gives a sixteenth, so that it clicks and does not crank. Common practice, no source.
 */
const readiness = (charge: number): number => (charge >= 0.5 ? 0.4 + 0.6 * charge : 0.06 + 1.28 * charge)

/** Least volts of a 12 V block at the end of its load test by °C, coldest first: as workshop manuals print it (from memory). */
const loadTest: readonly (readonly [celsius: number, volts: number])[] = [
  [-18, 8.5],
  [-12, 8.7],
  [-7, 8.9],
  [-1, 9.1],
  [4, 9.3],
  [10, 9.4],
  [16, 9.5],
  [21, 9.6],
]

/**
 * Volts that a good 12 V block holds after 15 s of half its cold-cranking rating, by its temperature.
 * @param temperature °C
 * @returns V
 */
export function loadTestLeast(temperature: number): number {
  const after = loadTest.findIndex(([celsius]) => celsius >= temperature)
  if (after < 0) return loadTest.at(-1)![1]
  const [high, most] = loadTest[after]!
  const [low, least] = loadTest[Math.max(0, after - 1)]!
  return high === low ? most : least + ((most - least) * (temperature - low)) / (high - low)
}

/**
 * What the plates set against a charging current: p·asinh(i / 1 A), after Tafel's law (the volts rise with the logarithm
 * of the current; p of some tenths of a volt is common practice, no source). Nothing against a discharge.
 */
export function platesLaw(polarisation: number): Law {
  const open = 1e4
  return {
    chord: open,
    at(v, out) {
      if (v <= 0) {
        out.current = open * v
        out.slope = open
        return
      }
      const u = Math.min(v / polarisation, 60)
      out.current = Math.sinh(u)
      out.slope = Math.cosh(u) / polarisation
    },
    spice: (name, a, b) => {
      const v = `v(${a},${b})`
      return [`B${name} ${a} ${b} I=${v}<=0 ? ${open}*${v} : sinh(min(${v}/${polarisation},60))`]
    },
  }
}

/** Volts on top of one 12 V block just after it was charged, and what has to be drawn, A·s, until a third of it is left. */
const surface = { volts: 0.9, charge: 1200, minutes: 120 }
/** Volts that one block lacks just after a heavy load, and the minutes in which two thirds of them come back. */
const tired = { volts: 0.35, minutes: 3 }

/**
 * Volts over what the cells would rest at, and what they then lose to a current of `i` amps: surface charge goes with what is
 * drawn of it and by itself, s·exp(−i·t/Q − t/τ), so that a drain of 5 A reads a tenth less minutes later; after a heavy load
 * the volts bounce back. Common practice, no source.
 * @param t s since then
 * @param volts of surface charge at rest, V
 * @param ohms Ω
 */
export function surfaceLaw(volts: number, ohms: number, t: number): Law {
  const a = t / surface.charge
  return {
    chord: 1 / ohms,
    at(v, out) {
      // v = R·i + s·(1 − exp(−a·i)) rises with i everywhere: Newton from the ohms alone.
      let i = v > 0 ? v / (ohms + volts * a) : v / ohms
      const slope = (x: number) => ohms + (x > 0 ? volts * a * Math.exp(-a * x) : 0)
      for (let n = 0; n < 60; n++) {
        const miss = ohms * i + (i > 0 ? volts * (1 - Math.exp(-a * i)) : 0) - v
        const change = miss / slope(i)
        i -= change
        if (Math.abs(change) <= 1e-13 * (1 + Math.abs(i))) break
      }
      out.current = i
      out.slope = 1 / slope(i)
    },
    spice: (name, x, y) => [
      `V${name} ${x} m${name} 0`,
      `B${name} m${name} ${y} V=${ohms}*i(V${name})+(i(V${name})>0 ? ${volts}*(1-exp(-${a}*i(V${name}))) : 0)`,
    ],
  }
}

/** Lead–acid battery with both clamps. Reference of every voltage is its negative post. */
export const battery = definePart({
  kind: 'battery',
  seeAlso: ['restVolts', 'loadTest', 'crankingLoss', 'drainThree', 'noCrank'],
  symbol: 'battery',
  access: 'hand',
  supplies: {
    volts: ({ blocks }) => 12.6 * blocks,
    coldCranking: ({ coldCranking }) => coldCranking,
    stores: {
      segment: 'cells',
      ampHours: ({ capacity, charge }) => ({ full: capacity, left: (capacity * charge) / 100 }),
    },
  },
  title: 'parts.battery.title',
  letters: 'B',
  quick: { words: ['battery', 'accumulator'], main: ['coldCranking', 'charge'] },
  role: 'source',
  terminals: [
    { key: 'p', suffix: 'p', name: 'parts.positiveClamp' },
    { key: 'pos', suffix: '+', name: 'parts.positivePost' },
    { key: 'neg', suffix: '−', name: 'parts.negativePost' },
    { key: 'n', suffix: 'n', name: 'parts.negativeClamp' },
  ],
  through: ['p', 'n'],
  units: [
    { key: 'plus', name: 'parts.positiveClamp', segments: ['clampPlus'] },
    { key: 'cells', name: 'parts.battery.cells', segments: ['cells'] },
    { key: 'minus', name: 'parts.negativeClamp', segments: ['clampMinus'] },
  ],
  // Common practice, no source.
  spread: { clampOhms: 0.6, coldCranking: 0.3, charge: 0.1 },
  parameters: z.object({
    blocks: quantity('parts.battery.n12VBlocksInSeries', '', 1, 2, 1),
    charge: quantity('parts.battery.stateOfCharge', '%', 0, 100, 95),
    coldCranking: quantity('parts.battery.coldCrankingRating', 'A', 50, 2000, 600),
    capacity: quantity('parts.battery.capacity', 'Ah', 1, 500, 70),
    polarisation: quantity('parts.battery.polarisationWhenItIsCharged', 'V', 0, 1, 0),
    clampOhms: quantity('parts.clampContact', 'Ω', 0, 1, 0.0002),
  }),
  segments: [
    { key: 'clampPlus', name: 'parts.positiveClamp', between: ['p', 'pos'], faults: passive },
    {
      key: 'cells',
      name: 'parts.battery.cells',
      between: ['pos', 'neg'],
      faults: ['discharged', 'sulphated'],
    },
    { key: 'clampMinus', name: 'parts.negativeClamp', between: ['neg', 'n'], faults: passive },
  ],
  detach: { verb: 'parts.lift', done: 'parts.lifted', opens: ['clampMinus'], gap: ['n', 'neg'] },
  stamp: ({ blocks, charge, coldCranking, polarisation, clampOhms }, net, around) => {
    const { temperature, rest, battery: past } = around
    net.contact('clampPlus', 'p', 'pos', clampOhms)
    const after = past?.after
    const faded = past
      ? Math.exp(-past.minutes / (after === 'charging' ? surface.minutes : tired.minutes))
      : 0
    const over = after === 'charging' ? surface.volts * faded : after === 'load' ? -tired.volts * faded : 0
    const volts = blocks * (openCircuitVoltage(charge) + over)
    const ohms = blocks * internalResistance(coldCranking, charge, temperature)
    const top = polarisation > 0 ? '#plates' : 'pos'
    if (after === 'charging') {
      net.source('cells', '#surface', 'neg', volts, 1e-6, rest * blocks)
      net.nonlinear('cells', '#surface', top, surfaceLaw(blocks * over, ohms, 60 * past!.minutes), 0)
    } else net.source('cells', top, 'neg', volts, ohms, rest * blocks)
    if (polarisation > 0) net.nonlinear('cells', 'pos', '#plates', platesLaw(blocks * polarisation), 0)
    net.contact('clampMinus', 'neg', 'n', clampOhms)
  },
  summary: ({ blocks, charge }) => figures(`${12 * blocks} V, ${formatPlain(charge)} %`),
})
