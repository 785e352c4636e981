import { phasesOf, Sensitivities, type SolvedBoard } from '../board'
import type { MeterType } from './meter'
import { loadedVolts, voltsAccuracy } from './voltmeter'

/** A value with the band in which it is expected; `value` undefined where nothing holds it. */
export interface Expected {
  readonly value: number | undefined
  /** Half-width, the meter's own accuracy included. */
  readonly band: number
  /** The extremes, where something switches to and fro; the value is then the mean that a slow meter shows. */
  readonly swing?: readonly [number, number]
}

/** Ohms behind a point up to which the meter's load is small enough to be reckoned linearly. */
const stiff = 1e4

/** What a meter should show between two nodes: loaded by its own input, with the band around it. */
export function expectedVolts(solved: SolvedBoard, a: number, b: number, meter: MeterType): Expected {
  return new Expectations(solved, meter).volts(a, b)
}

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
    this.phases = phasesOf(solved).map((phase) => ({ solved: phase, senses: new Sensitivities(phase) }))
  }

  volts(a: number, b: number): Expected {
    const pair = a * this.nodes + b
    const known = this.kept.get(pair)
    if (known) return known
    const expected = this.reckon(a, b)
    this.kept.set(pair, expected)
    return expected
  }

  private reckon(a: number, b: number): Expected {
    const [only, ...more] = this.phases
    if (more.length === 0) return this.steady(only!, a, b)
    const each = this.phases.map((phase) => this.steady(phase, a, b))
    if (each.every((e) => e.value === undefined)) return { value: undefined, band: 0 }
    const values = each.map((e) => e.value ?? 0)
    const swing = [Math.min(...values), Math.max(...values)] as const
    const value = values.reduce((sum, v) => sum + v, 0) / values.length
    // How long each phase lasts is anyone's guess: the mean may lie anywhere between the extremes.
    return { value, band: Math.max(...each.map((e) => e.band), (swing[1] - swing[0]) / 2), swing }
  }

  release(): void {
    for (const { senses } of this.phases) senses.release()
  }

  private steady({ solved, senses }: (typeof this.phases)[number], a: number, b: number): Expected {
    const { island, voltage } = solved.point
    if (island[a] !== island[b]) return { value: undefined, band: 0 }
    const volts = voltage[a]! - voltage[b]!
    const { ohms, band } = senses.between(a, b)
    const { inputOhms } = this.meter.volts
    // Behind a blocked diode a microamp moves volts: there the loaded circuit is solved again.
    const value =
      ohms < stiff ? (volts * inputOhms) / (inputOhms + ohms) : loadedVolts(solved, a, b, this.meter)
    return { value, band: band + voltsAccuracy(value, this.meter) }
  }
}
