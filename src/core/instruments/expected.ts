import { Sensitivities, sensitivityBetween, type Sensitivity, type SolvedBoard } from '../board'
import type { MeterType } from './meter'
import { loadedVolts, voltsAccuracy } from './voltmeter'

/** A value with the band in which it is expected; `value` undefined where nothing holds it. */
export interface Expected {
  readonly value: number | undefined
  /** Half-width, the meter's own accuracy included. */
  readonly band: number
  /** The extremes, where something switches to and fro; the value is then the mean that a slow meter shows. */
  readonly extremes?: readonly [number, number]
}

/** Ohms behind a point up to which the meter's load is small enough to be reckoned linearly. */
const stiff = 1e4

/**
 * What a meter should show between two nodes: loaded by its own input, with the band around it.
 * @param a node of the red lead
 * @param b node of the black lead
 */
export const expectedVolts = (solved: SolvedBoard, a: number, b: number, meter: MeterType): Expected =>
  overPhases(solved.phases.map((phase) => steady(phase, a, b, sensitivityBetween(phase, a, b), meter)))

/** The same for many pairs of nodes of one board. Call `release` when all is asked. */
export class Expectations {
  private readonly phases: readonly { readonly solved: SolvedBoard; readonly senses: Sensitivities }[]

  /** Paths share pieces: what was asked once is not reckoned again. */
  private readonly kept = new Map<number, Expected>()
  private readonly nodes: number

  constructor(
    solved: SolvedBoard,
    private readonly meter: MeterType,
  ) {
    this.nodes = solved.board.nodeCount
    this.phases = solved.phases.map((phase) => ({ solved: phase, senses: new Sensitivities(phase) }))
  }

  volts(a: number, b: number): Expected {
    const pair = a * this.nodes + b
    const known = this.kept.get(pair)
    if (known) return known
    const { phases, meter } = this
    const of = ({ solved, senses }: (typeof phases)[number]) =>
      steady(solved, a, b, senses.between(a, b), meter)
    const expected = phases.length === 1 ? of(phases[0]!) : overPhases(phases.map(of))
    this.kept.set(pair, expected)
    return expected
  }

  release(): void {
    for (const { senses } of this.phases) senses.release()
  }
}

/** Of a board that switches to and fro: the mean, with the extremes. */
function overPhases(each: readonly Expected[]): Expected {
  const [only, ...more] = each
  if (more.length === 0) return only!
  if (each.every((e) => e.value === undefined)) return { value: undefined, band: 0 }
  const values = each.map((e) => e.value ?? 0)
  const extremes = [Math.min(...values), Math.max(...values)] as const
  const value = values.reduce((sum, v) => sum + v, 0) / values.length
  // How long each phase lasts is anyone's guess: the mean may lie anywhere between the extremes.
  return { value, band: Math.max(...each.map((e) => e.band), (extremes[1] - extremes[0]) / 2), extremes }
}

/** One phase alone; `solved` has no cycle of its own. */
function steady(
  solved: SolvedBoard,
  a: number,
  b: number,
  { ohms, band }: Sensitivity,
  meter: MeterType,
): Expected {
  const { voltage } = solved.point
  if (!solved.tied(a, b)) return { value: undefined, band: 0 }
  const volts = voltage[a]! - voltage[b]!
  const { inputOhms } = meter.volts
  // Behind a blocked diode a microamp moves volts: there the loaded circuit is solved again.
  const value = ohms < stiff ? (volts * inputOhms) / (inputOhms + ohms) : loadedVolts(solved, a, b, meter)
  return { value, band: band + voltsAccuracy(value, meter) }
}
