import { noticeAll, type Attachment, type Noticed, type SolvedBoard } from '../board'
import { firstSource, systemOf, type Circuit } from '../circuit'
import { fuseLaw, loadTestLeast, meltsAbove, partOfKind } from '../parts'
import { instrumentAmps, lawAcross, ohmsAcross, solveWith } from './attach'

export interface ConnectionEffect {
  /** Amps through what was connected, from red to black. */
  readonly amps: number
  readonly volts: number
  /** The jumper's own fuse is gone. */
  readonly blew: boolean
  readonly blownByIt: readonly string[]
  /** What changed for eye and ear. */
  readonly changed: readonly Noticed[]
}

const apart: ConnectionEffect = { amps: 0, volts: 0, blew: false, blownByIt: [], changed: [] }

/**
 * A jumper with a fuse of `rating` amps in it. Its own loss counts: long coiled leads are part of the answer.
 * @param red node
 * @param black node
 * @param rating of its fuse, A; Infinity for none
 * @param leadOhms Ω
 */
export function connectJumper(
  solved: SolvedBoard,
  red: number,
  black: number,
  rating: number,
  leadOhms = 0.015,
  out: readonly string[] = [],
): ConnectionEffect {
  const joined = solveWith(solved, jumperAcross(red, black, rating, leadOhms), out)
  if (!joined.ok || red === black) return apart
  const amps = instrumentAmps(joined)
  if (Math.abs(amps) > meltsAbove * rating) return { ...apart, blew: true }
  return describe(solved, joined, red, black)
}

/** The jumper itself; `rating` Infinity for one without a fuse. */
export const jumperAcross = (red: number, black: number, rating: number, leadOhms = 0.015): Attachment =>
  Number.isFinite(rating)
    ? lawAcross(red, black, fuseLaw(rating), leadOhms)
    : ohmsAcross(red, black, leadOhms)

/**
 * A load that is known to be good in place of the circuit's own, which is unplugged first.
 * @param red node
 * @param black node
 * @param watts at its rated volts, W
 * @param ratedVoltage V
 */
export function connectLoad(
  solved: SolvedBoard,
  red: number,
  black: number,
  watts: number,
  ratedVoltage = 12,
  out: readonly string[] = [],
): ConnectionEffect {
  const joined = solveWith(solved, ohmsAcross(red, black, ratedVoltage ** 2 / watts), out)
  return joined.ok ? describe(solved, joined, red, black) : apart
}

function describe(before: SolvedBoard, after: SolvedBoard, red: number, black: number): ConnectionEffect {
  const was = new Map(noticeAll(before).map((n) => [n.part, n.key]))
  return {
    amps: instrumentAmps(after),
    volts: after.volts(red, black) ?? 0,
    blew: false,
    blownByIt: [...after.blown].filter((id) => !before.blown.has(id)),
    changed: noticeAll(after).filter((n) => was.get(n.part) !== n.key),
  }
}

export interface BatteryTest {
  readonly amps: number
  /** Volts at the posts under the load. */
  readonly volts: number
  /** The least that a good one holds at this temperature. */
  readonly least: number
  readonly passes: boolean
}

/**
 * Battery load test: half the cold-cranking rating for 15 s; it holds 9.6 V at 21 °C, about 0.1 V less for every 5.5 K
 * below (common practice, no source). The model is steady: the fifteenth second is what it shows.
 */
export function testBattery(solved: SolvedBoard, circuit: Circuit): BatteryTest | undefined {
  const part = firstSource(circuit.parts)
  const rating = part && partOfKind(part.kind).supplies?.coldCranking?.(part.parameters)
  if (!part || rating === undefined) return undefined
  const amps = rating / 2
  const blocks = systemOf(circuit).nominal / 12
  const { wiring } = solved.board
  const [pos, neg] = [wiring.nodeOf(part.id, 'pos'), wiring.nodeOf(part.id, 'neg')]
  const loaded = solveWith(solved, () => [
    { type: 'current', a: neg, b: pos, amps, owner: { part: '', segment: 'tester' } },
  ])
  if (!loaded.ok) return undefined
  const volts = loaded.volts(pos, neg) ?? 0
  const temperature = solved.board.state.temperature ?? circuit.temperature
  const least = blocks * loadTestLeast(temperature)
  return { amps, volts, least, passes: volts >= least }
}
