import { figures } from '../document'
import { z } from 'zod'
import { definePart, quantity, type Notice } from './definition'
import { formatPlain } from '../quantity'
import type { Law } from '../solve'

export interface Machine {
  ratedVoltage: number
  /** Amps at the rated volts, turning. */
  ratedCurrent: number
  /** Ohms of armature and brushes: what flows when it is held still. */
  armatureOhms: number
  /** Share of the rated torque that is friction, needed before it turns at all; the rest grows with speed squared. */
  friction: number
}

/** Share of the rated speed at `volts`; 0 while friction holds it. */
export function motorSpeed(machine: Machine, volts: number): number {
  const { ratedVoltage, ratedCurrent, armatureOhms, friction } = machine
  // With speed as a share of the rated one: v = R·i + E·s and i = I·(f + (1 − f)·s²), so (1−f)·I·R·s² + E·s = v − f·I·R.
  const back = ratedVoltage - armatureOhms * ratedCurrent
  const square = (1 - friction) * ratedCurrent * armatureOhms
  const drive = Math.abs(volts) - friction * ratedCurrent * armatureOhms
  if (drive <= 0) return 0
  return (2 * drive) / (back + Math.sqrt(back * back + 4 * square * drive))
}

/**
 * Steady law of a permanent-magnet motor: V = I·R + K·ω, torque K·I = friction + load, the load a fan's or a pump's,
 * which grows with ω². Energy: V·I = I²·R + K·ω·I, electrical power in = heat + shaft.
 */
export function motorLaw(machine: Machine): Law {
  const { ratedVoltage, ratedCurrent, armatureOhms, friction } = machine
  const back = ratedVoltage - armatureOhms * ratedCurrent
  const square = (1 - friction) * ratedCurrent * armatureOhms
  return {
    chord: ratedCurrent / ratedVoltage,
    at(v, out) {
      const speed = motorSpeed(machine, v)
      out.current = (v - Math.sign(v) * back * speed) / armatureOhms
      out.slope = speed === 0 ? 1 / armatureOhms : (1 - back / (back + 2 * square * speed)) / armatureOhms
    },
    spice: (name, a, b) => {
      const drive = `max(abs(v(${a},${b}))-${friction * ratedCurrent * armatureOhms},0)`
      const speed = `(2*${drive}/(${back}+sqrt(${back * back}+${4 * square}*${drive})))`
      return [`B${name} ${a} ${b} I=(v(${a},${b})-sgn(v(${a},${b}))*${back}*${speed})/${armatureOhms}`]
    },
  }
}

const notices = {
  still: { key: 'still', text: 'parts.motor.standsStillSilent' },
  stalled: { key: 'stalled', text: 'parts.motor.standsStillHumsAndGets' },
  crawls: { key: 'crawls', text: 'parts.motor.crawls' },
  weak: { key: 'weak', text: 'parts.motor.turnsWithoutForce' },
  slow: { key: 'slow', text: 'parts.motor.turnsSlowly' },
  turns: { key: 'turns', text: 'parts.motor.turnsAsItShould' },
} as const satisfies Record<string, Notice>

/** Friction of a motor that drags: worn bearings, dirt (common practice, no source). */
const dragging = 3

/** Permanent-magnet motor with a fan or a pump on its shaft: cab blower, washer pump, hopper motor, cooling fan. */
export const motor = definePart({
  kind: 'motor',
  seeAlso: ['fourDrops', 'substitute'],
  symbol: 'motor',
  access: 'cover',
  moves: true,
  title: 'parts.motor.title',
  letters: 'M',
  quick: {
    words: ['motor', 'fan', 'pump', 'blower', 'wiper'],
    main: ['ratedCurrent', 'ratedVoltage'],
    // Held still it takes about five times its rated current (common practice, no source).
    fill: ({ ratedVoltage, ratedCurrent }) => ({
      armatureOhms: Number(((0.2 * (ratedVoltage ?? 12)) / (ratedCurrent ?? 4)).toPrecision(3)),
    }),
  },
  role: 'load',
  terminals: [
    { key: 'a', suffix: 'a', name: 'parts.feed' },
    { key: 'b', suffix: 'b', name: 'parts.return' },
  ],
  through: ['a', 'b'],
  units: [{ key: 'motor', name: 'parts.motor', segments: ['armature'] }],
  // Common practice, no source.
  spread: { ratedCurrent: 0.05, armatureOhms: 0.1 },
  parameters: z.object({
    ratedVoltage: quantity('parts.ratedVolts', 'V', 1, 48, 12),
    ratedCurrent: quantity('parts.ratedAmps', 'A', 0.1, 60, 4),
    armatureOhms: quantity('parts.motor.armatureAndBrushes', 'Ω', 0.01, 50, 0.6),
    friction: quantity('parts.motor.frictionShareOfTheTorque', '', 0.02, 0.6, 0.15),
  }),
  segments: [
    {
      key: 'armature',
      name: 'parts.motor.armature',
      between: ['a', 'b'],
      faults: ['burntOut', 'highResistance', 'seized', 'dragging', 'weak'],
      inTime: { type: 'motor' },
    },
  ],
  detach: { verb: 'parts.unplug', done: 'parts.unplugged', opens: ['armature'], gap: ['a', 'b'] },
  loads: ['armature'],
  stamp: (machine, net, { struck }) => {
    const { armatureOhms, ratedCurrent, ratedVoltage, friction } = machine
    // A stalled motor cannot take less than a running one: the armature's ohms have a ceiling.
    const ohms = Math.min(armatureOhms, (0.9 * ratedVoltage) / ratedCurrent)
    if (struck.has('seized')) return net.resistor('armature', 'a', 'b', ohms, 0.1)
    const dragged = struck.has('dragging')
      ? heavier({ ...machine, armatureOhms: ohms }, dragging)
      : { ...machine, armatureOhms: ohms, friction }
    return net.nonlinear('armature', 'a', 'b', motorLaw(dragged), 0.1)
  },
  notice: {
    segment: 'armature',
    read: ({ ratedVoltage, ratedCurrent, armatureOhms }, { volts, amps }) => {
      // The back EMF is what turning makes: it tells the speed, whatever the friction.
      const ohms = Math.min(armatureOhms, (0.9 * ratedVoltage) / ratedCurrent)
      const speed = (Math.abs(volts) - ohms * Math.abs(amps)) / (ratedVoltage - ohms * ratedCurrent)
      if (speed < 0.02) return Math.abs(amps) > 0.3 * ratedCurrent ? notices.stalled : notices.still
      if (speed < 0.3) return notices.crawls
      // It draws what it gives: at a fifth of its amps there is no work in it, however fast it spins.
      if (Math.abs(amps) < 0.3 * ratedCurrent * Math.min(1, speed)) return notices.weak
      // A fan or pump that is short of 2 V in 12 is heard to be slow (common practice, no source).
      return speed < 0.9 ? notices.slow : notices.turns
    },
    all: Object.values(notices),
  },
  summary: ({ ratedVoltage, ratedCurrent }) =>
    figures(`${formatPlain(ratedVoltage)} V ${formatPlain(ratedCurrent)} A`),
})

/** The same motor with `factor` times the friction torque, its load torque unchanged. */
function heavier(machine: Machine, factor: number): Machine {
  const { ratedCurrent, friction, ratedVoltage, armatureOhms } = machine
  const current = ratedCurrent * (1 - friction + factor * friction)
  // Rated volts of the heavier machine: what now drives it at the old rated speed.
  return {
    ratedVoltage: ratedVoltage + armatureOhms * (current - ratedCurrent),
    ratedCurrent: current,
    armatureOhms,
    friction: (factor * friction * ratedCurrent) / current,
  }
}
