import { figures } from '../document'
import { z } from 'zod'
import { definePart, passive, quantity, type Notice } from './definition'
import { lampTable } from './tables'
import { formatPlain } from '../quantity'
import type { Law } from '../solve'
import { filamentTable, radiationExponent, resistanceExponent } from './filament-table'

export { radiationExponent, resistanceExponent }

/** Light ∝ V^3.4 near the rating (the same handbooks). */
export const lightExponent = 3.4

export interface Filament {
  ratedVoltage: number
  ratedPower: number
  /** K, at rated volts */
  workingKelvin: number
}

/** Ohms at `kelvin`. */
export function filamentOhms({ ratedVoltage, ratedPower, workingKelvin }: Filament, kelvin: number): number {
  return (ratedVoltage ** 2 / ratedPower) * (kelvin / workingKelvin) ** resistanceExponent
}

/**
 * Steady temperature (K) at `volts`: v²/R(T) = shed(T), Newton in ln T. The left side falls with T and the
 * right one rises, so there is one answer.
 */
export function filamentKelvin(filament: Filament, volts: number, ambientKelvin: number): number {
  const { ratedVoltage, workingKelvin } = filament
  const ambient = (ambientKelvin / workingKelvin) ** radiationExponent
  const drive = (volts / ratedVoltage) ** 2 * (1 - ambient)
  if (drive === 0) return ambientKelvin
  // With t = T / T_working:  drive = t^β (t^γ − ambient).
  const b = resistanceExponent
  const g = radiationExponent
  let u = Math.log(Math.max(ambientKelvin / workingKelvin, drive ** (1 / (b + g))))
  for (let n = 0; n < 100; n++) {
    const high = Math.exp((b + g) * u)
    const low = ambient * Math.exp(b * u)
    const miss = high - low - drive
    const change = miss / ((b + g) * high - b * low)
    u -= change
    if (Math.abs(change) < 1e-13) break
  }
  return workingKelvin * Math.exp(u)
}

/**
 * Static law of the filament: what flows once the temperature has settled (well under a second).
 * @param ambientKelvin K
 */
export function filamentLaw(filament: Filament, ambientKelvin: number): Law {
  const { ratedVoltage, ratedPower, workingKelvin } = filament
  const cold = ambientKelvin / workingKelvin
  const ambient = cold ** radiationExponent
  const hot = ratedVoltage ** 2 / ratedPower
  const b = resistanceExponent
  const g = radiationExponent
  const table = filamentTable(cold)
  const [perVolt, perOhm] = [1 / ratedVoltage, 1 / hot]
  return {
    chord: 1 / hot,
    at(v, out) {
      table(Math.abs(v) * perVolt, out)
      // Of the conductance at the rating: out.current holds the share, out.slope its change with ln v.
      out.slope = (out.current + out.slope) * perOhm
      out.current *= v * perOhm
    },
    // Node t carries u = ln of the temperature over the working one: its currents are the heat balance over t^β, which
    // rises everywhere.
    spice: (name, a, b_) => {
      const heat = `(v(${a},${b_})/${ratedVoltage})^2*${1 - ambient}`
      const u = `v(t${name})`
      return [
        `B${name} ${a} ${b_} I=v(${a},${b_})*exp(${-b}*${u})/${hot}`,
        `BT${name} t${name} 0 I=exp(${g}*${u})-${ambient}-${heat}*exp(${-b}*${u})`,
        `.nodeset v(t${name})=-0.1`,
      ]
    },
  }
}

const notices = {
  dark: { key: 'dark', text: 'parts.dark' },
  glows: { key: 'glows', text: 'parts.glowsDullRed' },
  dim: { key: 'dim', text: 'parts.dim' },
  bright: { key: 'bright', text: 'parts.bright' },
  glaring: { key: 'glaring', text: 'parts.lamp.tooBrightOverItsVolts' },
} as const satisfies Record<string, Notice>

/** Light as a share of the rated one: ∝ V^3.4. */
export const lightOf = (volts: number, ratedVoltage: number): number =>
  (Math.abs(volts) / ratedVoltage) ** lightExponent

/** A lamp at two thirds of its light passes for bright; beside its like, what has less than this of its light does not. */
const passes = 0.62

/**
 * What an eye makes of a filament, alone or beside its like (common practice, no source).
 * @param volts V
 * @param ratedVoltage V
 * @param beside light of the brightest like it, as a share of the rated one
 */
export function brightness(volts: number, ratedVoltage: number, beside = 1): Notice {
  const light = lightOf(volts, ratedVoltage)
  if (light < 0.0005) return notices.dark
  if (light < 0.02) return notices.glows
  if (light < passes * Math.max(1, beside)) return notices.dim
  if (light < 2.5) return notices.bright
  return notices.glaring
}

/** Keys of `brightness`, darkest first. */
export const brightnessScale: readonly string[] = Object.keys(notices)

/** Hours that a lamp lasts at its rated volts, and how they fall: ∝ V^−13 (lighting handbooks, from memory). */
const life = { hours: 1000, exponent: 13 }
/** Hours within which it is gone before anybody has looked twice. */
const atOnce = 1 / 6

/** Volts at which a filament is gone in minutes: about twice the rated ones. */
export const burnsOutAt = ({ ratedVoltage }: { readonly ratedVoltage: number }): number =>
  ratedVoltage * (life.hours / atOnce) ** (1 / life.exponent)

/** Filament lamp in its socket. Ratings as UN Regulation No. 37 states them (from memory). */
export const lamp = definePart({
  kind: 'lamp',
  seeAlso: ['lampAtVolts', 'fourDrops', 'lamps'],
  symbol: 'lamp',
  access: 'hand',
  title: 'parts.lamp.title',
  letters: 'L',
  quick: { words: ['lamp', 'bulb', 'light'], main: ['ratedPower', 'ratedVoltage'] },
  role: 'load',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.lamp.socketFeed' },
    { key: 'f', suffix: 'f', name: 'parts.lamp.lampContactFeed' },
    { key: 'g', suffix: 'g', name: 'parts.lamp.lampContactReturn' },
    { key: 'b', suffix: 'b', name: 'parts.socketReturn' },
  ],
  through: ['a', 'b'],
  units: [
    { key: 'bulb', name: 'parts.lamp.lamp', segments: ['filament'] },
    { key: 'socket', name: 'parts.lamp.socket', segments: ['socketIn', 'socketOut'] },
  ],
  // Common practice, no source.
  spread: { ratedPower: 0.05, socketOhms: 0.6 },
  parameters: z.object({
    ratedVoltage: quantity('parts.ratedVolts', 'V', 1, 48, 12),
    ratedPower: quantity('parts.ratedWatts', 'W', 0.5, 150, 55, lampTable),
    workingKelvin: quantity('parts.lamp.filamentAtRating', 'K', 1800, 3300, 2800),
    socketOhms: quantity('parts.socketContact', 'Ω', 0, 5, 0.004),
  }),
  segments: [
    { key: 'socketIn', name: 'parts.lamp.feedContactOfTheSocket', between: ['a', 'f'], faults: passive },
    {
      key: 'filament',
      name: 'parts.lamp.filament',
      between: ['f', 'g'],
      faults: ['burntOut', 'wrongBulb'],
      inTime: { type: 'filament', watts: 'ratedPower' },
    },
    { key: 'socketOut', name: 'parts.returnContactOfTheSocket', between: ['g', 'b'], faults: passive },
  ],
  detach: {
    verb: 'parts.unplug',
    done: 'parts.unplugged',
    opens: ['socketIn', 'socketOut'],
    gap: ['a', 'b'],
    comesOut: { segments: ['filament'], pins: { a: 'f', b: 'g' } },
  },
  interchangeable: true,
  loads: ['filament'],
  bears: { segments: ['filament'], most: burnsOutAt },
  benchPairs: [['f', 'g']],
  stamp: (parameters, net, { temperature, struck }) => {
    const ratedPower = struck.get('wrongBulb') ?? parameters.ratedPower
    net.contact('socketIn', 'a', 'f', parameters.socketOhms)
    net.nonlinear(
      'filament',
      'f',
      'g',
      filamentLaw({ ...parameters, ratedPower }, temperature + 273.15),
      0.05,
    )
    net.contact('socketOut', 'g', 'b', parameters.socketOhms)
  },
  notice: {
    segment: 'filament',
    read: ({ ratedVoltage }, { volts }, { beside }) => brightness(volts, ratedVoltage, beside?.[0]),
    all: Object.values(notices),
    beside: {
      like: ({ ratedVoltage, ratedPower }) => `${ratedVoltage} ${ratedPower}`,
      shines: ({ ratedVoltage }, of) => [lightOf(of('filament').volts, ratedVoltage)],
    },
  },
  summary: ({ ratedVoltage, ratedPower }) =>
    figures(`${formatPlain(ratedVoltage)} V ${formatPlain(ratedPower)} W`),
})
