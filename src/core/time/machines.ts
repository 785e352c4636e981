import type { Machine } from '../parts/motor'
import { backVolts, fluxOf, type SeriesMachine } from '../parts/starter'
import { implicit, type Dynamic } from './dynamic'

/** Seconds in which the rated torque alone would bring it to its rated speed (common practice, no source). */
const startOfMotor = 0.7
const startOfStarter = 0.3

/**
 * A permanent-magnet motor that spins up: J·ds/dt = i/Iₙ − friction − (1 − friction)·s², i = (v − E·s)/R. State: speed as
 * a share of the rated one. It starts with its stall current.
 */
export function spinningMotor({ ratedVoltage, ratedCurrent, armatureOhms, friction }: Machine): Dynamic {
  const back = ratedVoltage - armatureOhms * ratedCurrent
  const end = (x: number, h: number, v: number) => {
    const way = Math.sign(v) || 1
    const pull = 1 / (armatureOhms * ratedCurrent)
    const square = 1 - friction
    const linear = startOfMotor / h + back * pull
    const rest = (startOfMotor * x) / h + Math.abs(v) * pull - friction
    const speed = rest <= 0 ? 0 : (2 * rest) / (linear + Math.sqrt(linear * linear + 4 * square * rest))
    return { state: speed, amps: (v - way * back * speed) / armatureOhms }
  }
  return implicit({ end, settled: (v) => end(0, 1e9, v).state, scale: 0.1 })
}

/** A series-wound starter that gets an engine turning. State: speed as a share of the cranking one. */
export function spinningStarter(machine: SeriesMachine): Dynamic {
  const { ratedCurrent, ohms, breakaway, drag = 1 } = machine
  const back = backVolts(machine)
  const end = (x: number, h: number, v: number) => {
    const share = h / startOfStarter
    const speedFor = (i: number) =>
      Math.max(0, (x + share * (fluxOf(i) * i - drag * breakaway)) / (1 + share * drag * (1 - breakaway)))
    const volts = (i: number) => i * ratedCurrent * ohms + back * fluxOf(i) * speedFor(i)
    const size = Math.abs(v)
    let low = 0
    let high = size / (ratedCurrent * ohms) + 1e-9
    for (let n = 0; n < 100 && high - low > 1e-14 * high; n++) {
      const middle = (low + high) / 2
      if (volts(middle) < size) low = middle
      else high = middle
    }
    const i = (low + high) / 2
    return { state: speedFor(i), amps: Math.sign(v) * i * ratedCurrent }
  }
  return implicit({ end, settled: (v) => end(0, 1e9, v).state, scale: 0.1 })
}
