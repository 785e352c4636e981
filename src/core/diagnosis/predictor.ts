import { stateSignature, wireUp, type Circuit, type CircuitState, type Wiring } from '../circuit'
import type { Fault } from '../faults'
import { functionOf, workshopMeter, type MeterType } from '../instruments'
import { partOfKind } from '../parts'
import { aftermath, noticeAll, solveBoard, type SolvedBoard } from '../board'
import { expectedVolts } from '../readings'
import type { Fact, TestSetup } from './evidence'
import { hypothesesOf, type Hypothesis } from './hypotheses'

/** Where a reading would lie; both ends Infinity for OL. */
export interface Interval {
  readonly low: number
  readonly high: number
}

/** Passive parts vary by a few per cent in ohms; a contact's milliohms are below the meter's last digit. */
const ohmsTolerance = 0.08

/**
 * Knows what every test would show under every hypothesis of one circuit. Boards are solved when first asked
 * for and kept, so that judging a long attempt costs little more than judging its first test.
 */
export class Predictor {
  readonly hypotheses: readonly Hypothesis[]
  readonly wiring: Wiring
  private readonly boards = new Map<string, SolvedBoard | undefined>()
  private readonly fuses = new Map<string, ReadonlySet<string>>()
  private readonly edges = new Map<string, readonly Fault[]>()
  private readonly intervals = new Map<string, Interval | undefined>()
  private readonly partIds: readonly string[]

  constructor(
    readonly circuit: Circuit,
    readonly meter: MeterType = workshopMeter,
  ) {
    this.wiring = wireUp(circuit)
    this.hypotheses = hypothesesOf(circuit)
    this.partIds = circuit.parts.map((part) => part.id)
  }

  /** Parts that some hypothesis strikes. */
  get suspectable(): readonly string[] {
    const struck = new Set(this.hypotheses.map((h) => h.part))
    return this.partIds.filter((id) => struck.has(id))
  }

  /** Could the fact have come about if the hypothesis were true? */
  admits(hypothesis: Hypothesis, fact: Fact): boolean {
    if (fact.type === 'seen') return this.admitsSeen(hypothesis, fact)
    if (fact.meaningless) return true
    const interval = this.interval(hypothesis, fact.setup)
    // What cannot be predicted excludes nothing.
    return !interval || (fact.value >= interval.low && fact.value <= interval.high)
  }

  /** The readings that a hypothesis allows, all severities of its cell and all tolerances included. */
  interval(hypothesis: Hypothesis, setup: TestSetup): Interval | undefined {
    const ends = this.ends(hypothesis, setup.state).map((fault) => this.cornerInterval(fault, setup))
    if (ends.some((end) => end === undefined)) return undefined
    return {
      low: Math.min(...ends.map((end) => end!.low)),
      high: Math.max(...ends.map((end) => end!.high)),
    }
  }

  /** The board under one exact fault (undefined: healthy) in a state, or undefined if it has no answer. */
  board(fault: Fault | undefined, state: CircuitState): SolvedBoard | undefined {
    const key = faultKey(fault) + stateSignature(state)
    if (!this.boards.has(key)) {
      const faults = fault ? [fault] : []
      const blown = this.fusesAfter(fault)
      const solved = solveBoard(this.circuit, faults, state, { blown, wiring: this.wiring })
      this.boards.set(key, solved.ok ? solved : undefined)
    }
    return this.boards.get(key)
  }

  private fusesAfter(fault: Fault | undefined): ReadonlySet<string> {
    // Only what draws more than the healthy circuit can melt what that does not.
    const key = fault && drawsMore.has(fault.kind) ? faultKey(fault) : ''
    if (!this.fuses.has(key))
      this.fuses.set(key, aftermath(this.circuit, fault && key ? [fault] : [], this.wiring))
    return this.fuses.get(key)!
  }

  /**
   * A cell's two corners; and where something switches between them, the severities on either side of each switching
   * point, for there readings jump and are furthest out.
   */
  private ends(hypothesis: Hypothesis, state: CircuitState): readonly (Fault | undefined)[] {
    const corners = this.corners(hypothesis)
    const [low, high] = corners
    if (!low || !high) return corners
    const key = `${faultKey(low)}${stateSignature(state)}`
    const known = this.edges.get(key)
    if (known) return known
    const found = [low, high]
    this.halve(low, high, state, 0, found)
    this.edges.set(key, found)
    return found
  }

  private halve(low: Fault, high: Fault, state: CircuitState, depth: number, found: Fault[]): void {
    if (this.switching(low, state) === this.switching(high, state)) return
    if (depth === 12) {
      found.push(low, high)
      return
    }
    const middle: Fault = { ...low, severity: Math.sqrt(low.severity! * high.severity!) }
    this.halve(low, middle, state, depth + 1, found)
    this.halve(middle, high, state, depth + 1, found)
  }

  /** What has switched to what under a fault, as one word. */
  private switching(fault: Fault, state: CircuitState): string {
    const solved = this.board(fault, state)
    if (!solved) return 'none'
    const fuses = [...solved.blown].join()
    const phases = solved.swing?.phases ?? [solved]
    return `${fuses}|${phases.map((phase) => [...phase.board.modes.values()].join()).join('~')}`
  }

  private corners(hypothesis: Hypothesis): readonly (Fault | undefined)[] {
    return hypothesis.corners.length ? hypothesis.corners : [undefined]
  }

  private cornerInterval(fault: Fault | undefined, setup: TestSetup): Interval | undefined {
    const { function: dial, red, black, state } = setup
    const key = `${faultKey(fault)}${stateSignature(state)}|${dial} ${red} ${black}`
    if (!this.intervals.has(key)) {
      const solved = this.board(fault, state)
      this.intervals.set(key, solved && this.expect(solved, setup))
    }
    return this.intervals.get(key)
  }

  private expect(solved: SolvedBoard, { function: dial, red, black }: TestSetup): Interval {
    const { meter } = this
    if (dial === 'volts') {
      // Across islands nothing but the meter is there to show: zero.
      const { value = 0, band } = expectedVolts(solved, red, black, meter)
      const width = Math.max(band, functionOf('volts').accuracy(value, meter))
      return { low: value - width, high: value + width }
    }
    const { value } = functionOf(dial).read(solved, red, black, meter)
    if (value === undefined) return { low: Infinity, high: Infinity }
    const band = functionOf(dial).accuracy(value, meter) + ohmsTolerance * Math.abs(value)
    return { low: value - band, high: value + band }
  }

  private admitsSeen(hypothesis: Hypothesis, fact: Extract<Fact, { type: 'seen' }>): boolean {
    const noticed = this.ends(hypothesis, fact.state).map((fault) => {
      const solved = this.board(fault, fact.state)
      return solved && noticeAll(solved)
    })
    if (noticed.some((n) => n === undefined)) return true
    return Object.entries(fact.seen).every(([id, key]) => {
      const kind = this.circuit.parts.find((part) => part.id === id)?.kind
      const scale = kind ? (partOfKind(kind).notice?.all.map((n) => n.key) ?? []) : []
      const places = noticed.map((list) => scale.indexOf(list!.find((n) => n.part === id)?.key ?? ''))
      const seen = scale.indexOf(key)
      return seen >= Math.min(...places) && seen <= Math.max(...places)
    })
  }
}

const drawsMore: ReadonlySet<Fault['kind']> = new Set([
  'shortToGround',
  'shortToSupply',
  'leaky',
  'seized',
  'dragging',
  'shortedTurns',
  'shortBetween',
  'swapped',
  'reversed',
  'wrongFuse',
  'wrongBulb',
  'drain',
  'welded',
  'notSleeping',
])

const faultKey = (fault: Fault | undefined): string =>
  fault
    ? `${fault.kind} ${fault.part}.${fault.segment} ${fault.severity ?? ''} ${fault.at ?? ''} ${fault.other ?? ''}|`
    : '|'
