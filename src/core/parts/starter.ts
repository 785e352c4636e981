import { say } from '../document'
import { z } from 'zod'
import { definePart, quantity, type Notice } from './definition'
import { copperCoefficient } from './wire'
import type { Law } from '../solve'

export interface SeriesMachine {
  /** Volts and amps at which the starter turns the engine at its proper cranking speed. */
  ratedVoltage: number
  ratedCurrent: number
  /** Ohms of armature, brushes and field: what flows when it is held still. */
  ohms: number
  /** Share of the cranking torque that is needed at once, to move at all. */
  breakaway: number
  /** How many times the usual torque the engine takes: oil is stiff in the cold. 1 unless said. */
  drag?: number
}

/**
 * How many times the torque at 20 °C an engine takes: it about doubles by −18 °C, and hardly falls above (common practice,
 * no source).
 */
export const dragAt = (temperature: number): number =>
  temperature >= 20 ? 1 : 2 ** ((20 - temperature) / 34)

/** Amps at which half the field's iron is saturated, as a share of the rated ones (common practice, no source). */
const saturation = 0.5

/** Amps for a torque, as shares of the rated ones: torque ∝ flux × current, flux ∝ i / (i + i_s). */
const ampsFor = (torque: number): number => {
  const t = torque / (1 + saturation)
  return (t + Math.sqrt(t * t + 4 * t * saturation)) / 2
}
/** Flux for amps, both as shares of the rated ones. */
export const fluxOf = (i: number): number => (i * (1 + saturation)) / (i + saturation)

/**
 * Series-wound motor against an engine: V = I·R + k·φ(I)·ω, torque k·φ(I)·I = breakaway + the rest with speed. Its
 * current hardly depends on the volts, its speed does. The share of the rated speed comes from Newton on V(s), which
 * rises all the way. Energy: V·I = I²·R + φ·ω·I. Common practice values, no source.
 */
export function seriesLaw(machine: SeriesMachine): Law {
  const { ratedCurrent, ohms, breakaway, drag = 1 } = machine
  const back = backVolts(machine)
  const torque = (s: number) => drag * (breakaway + (1 - breakaway) * s)
  const least = ampsFor(torque(0)) * ratedCurrent
  return {
    chord: ratedCurrent / machine.ratedVoltage,
    at(v, out) {
      const size = Math.abs(v)
      if (size <= least * ohms) {
        out.current = v / ohms
        out.slope = 1 / ohms
        return
      }
      const s = crankingSpeed(machine, size)
      const i = ampsFor(torque(s)) * ratedCurrent
      out.current = Math.sign(v) * i
      const step = 1e-6 * (1 + s)
      const volts = (at: number) => voltsAt(machine, back, at)
      const rise = (volts(s + step) - volts(s - step)) / (2 * step)
      const more = ampsFor(torque(s + step))
      const less = ampsFor(torque(s - step))
      out.slope = Math.max(0, (((more - less) / (2 * step)) * ratedCurrent) / rise)
    },
    // Node s carries the speed as a share of the rated one.
    spice: (name, a, b) => {
      const v = `abs(v(${a},${b}))`
      const s = `max(v(s${name}),0)`
      const t = `(${drag}*(${breakaway}+${1 - breakaway}*${s})/${1 + saturation})`
      const i = `((${t}+sqrt(${t}*${t}+${4 * saturation}*${t}))/2)`
      const phi = `(${i}*${1 + saturation}/(${i}+${saturation}))`
      return [
        `B${name} ${a} ${b} I=sgn(v(${a},${b}))*min(${v}/${ohms},${i}*${ratedCurrent})`,
        `BS${name} s${name} 0 I=${i}*${ratedCurrent * ohms}+${back}*${phi}*v(s${name})-${v}`,
        `.nodeset v(s${name})=0.8`,
      ]
    },
  }
}

/** Share of the rated cranking speed at `volts`; 0 while it stands. */
export function crankingSpeed(machine: SeriesMachine, volts: number): number {
  const back = backVolts(machine)
  if (volts <= voltsAt(machine, back, 0)) return 0
  let low = 0
  let high = 1
  while (voltsAt(machine, back, high) < volts) high *= 2
  for (let n = 0; n < 80 && high - low > 1e-15 * high; n++) {
    // Regula falsi would stick at the bent end; halving with a secant try inside is quick enough.
    const [v0, v1] = [voltsAt(machine, back, low), voltsAt(machine, back, high)]
    const secant = low + ((volts - v0) / (v1 - v0)) * (high - low)
    const at = n % 3 === 2 ? (low + high) / 2 : secant
    if (voltsAt(machine, back, at) < volts) low = at
    else high = at
  }
  return (low + high) / 2
}

/** Volts that turning makes at the rated speed and flux. */
export const backVolts = ({ ratedVoltage, ratedCurrent, ohms }: SeriesMachine): number =>
  ratedVoltage - ratedCurrent * ohms

function voltsAt(
  { ratedCurrent, ohms, breakaway, drag = 1 }: SeriesMachine,
  back: number,
  speed: number,
): number {
  const i = ampsFor(Math.max(0, drag * (breakaway + (1 - breakaway) * speed)))
  return i * ratedCurrent * ohms + back * fluxOf(i) * speed
}

const notices = {
  silent: { key: 'silent', text: 'parts.silent' },
  chatters: { key: 'chatters', text: 'parts.starter.chattersClicksFastAndOver' },
  clicks: { key: 'clicks', text: 'parts.starter.oneClickDoesNotTurn' },
  slow: { key: 'slow', text: 'parts.starter.cranksSlowly', pulled: true },
  cranks: { key: 'cranks', text: 'parts.starter.cranksAsItShould', pulled: true },
} as const satisfies Record<string, Notice>

/**
 * Starter with its solenoid: the pull-in winding goes from terminal 50 through the motor, the hold-in winding to the
 * case. Once the main contact closes, both ends of the pull-in winding are on the battery and it carries nothing. About
 * 40 A at pull-in and 20 A holding, hundreds of amps for the motor (common practice values, no source).
 */
export const starter = definePart({
  kind: 'starter',
  seeAlso: ['noCrank', 'crankingLoss'],
  symbol: 'starterMotor',
  access: 'under',
  moves: true,
  fedUnfused: true,
  pinout: 'all',
  title: 'parts.starter.title',
  letters: 'MS',
  topic: 'starting',
  quick: { words: ['starter'], ownVolts: true },
  role: 'load',
  terminals: [
    { key: 't30', suffix: '.30', name: 'parts.starter.batteryTerminal' },
    { key: 't50', suffix: '.50', name: 'parts.starter.solenoidTerminal' },
    { key: 't45', suffix: '.45', name: 'parts.starter.motorTerminal' },
    { key: 't31', suffix: '.31', name: 'parts.case' },
  ],
  through: ['t30', 't31'],
  passes: [
    { segment: 'motor', symbol: 'starterMotor', caption: 'parts.starter.motorAndMainContact' },
    { segment: 'holdIn', symbol: 'coil', caption: 'parts.starter.solenoid' },
  ],
  units: [
    { key: 'solenoid', name: 'parts.starter.solenoid', segments: ['pullIn', 'holdIn', 'main'] },
    { key: 'motor', name: 'parts.motor', segments: ['motor'] },
  ],
  orderedAs: ['main', 'motor', 'pullIn', 'holdIn'],
  // Common practice, no source.
  spread: { ratedCurrent: 0.05, ohms: 0.1, pullInOhms: 0.1, holdInOhms: 0.1, contactOhms: 0.1 },
  parameters: z.object({
    ratedVoltage: quantity('parts.starter.crankingVolts', 'V', 6, 24, 10),
    ratedCurrent: quantity('parts.starter.crankingAmps', 'A', 40, 1500, 180),
    ohms: quantity('parts.starter.armatureBrushesAndField', 'Ω', 0.002, 0.2, 0.018),
    breakaway: quantity('parts.starter.torqueToMoveAtAll', '', 0.1, 0.9, 0.6),
    pullInOhms: quantity('parts.starter.pullInWinding', 'Ω', 0.1, 10, 0.6),
    holdInOhms: quantity('parts.starter.holdInWinding', 'Ω', 0.1, 10, 0.6),
    contactOhms: quantity('parts.starter.mainContact', 'Ω', 0, 0.1, 0.0008),
    pullAmps: quantity('parts.starter.pullsInAtBothWindings', 'A', 1, 100, 24),
    holdAmps: quantity('parts.starter.letsGoAt', 'A', 0.5, 60, 9),
  }),
  segments: [
    {
      key: 'main',
      name: 'parts.starter.mainContact2',
      between: ['t30', 't45'],
      faults: ['burnt', 'stuckOpen', 'welded'],
    },
    {
      key: 'motor',
      name: 'parts.motor',
      between: ['t45', 't31'],
      faults: ['burntOut', 'seized', 'highResistance'],
      inTime: { type: 'starter' },
    },
    {
      key: 'pullIn',
      name: 'parts.starter.pullInWinding2',
      between: ['t50', 't45'],
      faults: ['open', 'shortedTurns'],
    },
    {
      key: 'holdIn',
      name: 'parts.starter.holdInWinding2',
      between: ['t50', 't31'],
      faults: ['open', 'shortedTurns'],
    },
  ],
  detach: {
    verb: 'parts.unplug',
    done: 'parts.starter.sTerminalOff',
    opens: ['pullIn', 'holdIn'],
    comesOut: { segments: ['pullIn', 'holdIn', 'motor'] },
  },
  loads: ['motor', 'holdIn'],
  benchPairs: [
    ['t50', 't31'],
    ['t50', 't45'],
    ['t45', 't31'],
  ],
  modes: {
    // A plunger with its pinion: tens of milliseconds, in which both windings draw (common practice, no source).
    travel: 0.03,
    rest: 'released',
    all: ['released', 'engaged'],
    next: ({ pullAmps, holdAmps }, { amps }, { mode }) => {
      // Both windings pull the same way while both are fed from terminal 50; a current back through the pull-in winding
      // works against the other.
      const pull = Math.abs(amps('holdIn') + amps('pullIn'))
      return mode === 'engaged'
        ? pull < holdAmps
          ? 'released'
          : 'engaged'
        : pull >= pullAmps
          ? 'engaged'
          : 'released'
    },
  },
  stamp: (parameters, net, { mode, struck, temperature }) => {
    const { pullInOhms, holdInOhms, contactOhms, ohms } = parameters
    const warm = 1 + copperCoefficient * (temperature - 20)
    if (mode === 'engaged') net.contact('main', 't30', 't45', contactOhms)
    // At rest the pinion is out: the motor turns nothing and looks like its bare ohms to the pull-in winding.
    if (mode !== 'engaged' || struck.has('seized')) net.resistor('motor', 't45', 't31', ohms, 0.1)
    else net.nonlinear('motor', 't45', 't31', seriesLaw({ ...parameters, drag: dragAt(temperature) }), 0.1)
    net.resistor('pullIn', 't50', 't45', pullInOhms * warm, 0.1)
    net.resistor('holdIn', 't50', 't31', holdInOhms * warm, 0.1)
  },
  notice: {
    segment: 'motor',
    read: (parameters, { volts }, { mode, inLimitCycle, temperature }) => {
      if (inLimitCycle) return notices.chatters
      if (mode !== 'engaged') return notices.silent
      const speed = crankingSpeed({ ...parameters, drag: dragAt(temperature) }, Math.abs(volts))
      return speed < 0.03 ? notices.clicks : speed < 0.76 ? notices.slow : notices.cranks
    },
    all: Object.values(notices),
  },
  summary: ({ ratedCurrent }) => say('parts.starter.cranking', { amps: { value: ratedCurrent, unit: '' } }),
})
