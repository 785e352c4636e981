import { segmentAmps, type SolvedBoard } from '../board'
import { firstSource, type Circuit } from '../circuit'
import { partOfKind } from '../parts'

/** Key of what a driver says of a battery that a drain empties while the vehicle stands: no look shows it, only time does. */
export const flatKey = 'flat'

/** Share of its charge below which a battery does not crank. Common practice, no source. */
const cranks = 0.2
/** Hours after which nobody calls it a drain: four weeks. Common practice, no source. */
const longest = 4 * 7 * 24
/** Hours below which it is no drain: something smokes, and nobody leaves it. Common practice, no source. */
const shortest = 1
/** A, the most that a sound vehicle draws when it is left. More: it is not left like this. */
const leftOn = 0.25
/** A drain is over what the sound circuit draws by this factor. */
const factor = 1.5

interface StandingBattery {
  readonly part: string
  readonly segment: string
  readonly ampHours: number
}

/** The battery that a drain empties, and the A·h that it can lose before it no longer cranks. */
export function standingBattery(circuit: Circuit): StandingBattery | undefined {
  const source = firstSource(circuit.parts)
  const stores = source && partOfKind(source.kind).supplies?.stores
  if (!stores) return undefined
  const { full, left } = stores.ampHours(source.parameters)
  return { part: source.id, segment: stores.segment, ampHours: Math.max(0, left - cranks * full) }
}

/**
 * Current out of the battery; charging is below zero.
 * @returns A
 */
export function batteryAmps({ board, point }: SolvedBoard): number {
  const battery = standingBattery(board.circuit)
  return battery ? -segmentAmps(board, point, battery.part, battery.segment) : 0
}

/**
 * Hours until the battery no longer cranks, where the fault empties it far sooner than the sound circuit would.
 * @returns undefined where nobody would complain, or nobody leaves the vehicle in this state
 */
export function hoursUntilFlat(
  circuit: Circuit,
  faulted: SolvedBoard,
  sound: SolvedBoard,
): number | undefined {
  const battery = standingBattery(circuit)
  if (!battery) return undefined
  const usual = batteryAmps(sound)
  const amps = batteryAmps(faulted)
  if (usual > leftOn || amps <= 0 || amps < factor * usual) return undefined
  const hours = battery.ampHours / amps
  return hours < shortest || hours > longest ? undefined : Number(hours.toPrecision(2))
}

/** How far a driver's hours may be from what the drain makes of them: they sleep, and try in the morning. */
const vague = 2

/**
 * Current out of the battery between which it goes flat in about so many hours.
 * @param hours h, as a driver says them
 * @returns A
 */
export function ampsOfHours(circuit: Circuit, hours: number): readonly [low: number, high: number] {
  const amps = (standingBattery(circuit)?.ampHours ?? 0) / hours
  return [amps / vague, amps * vague]
}
