import { stateSignature, wireUp, type Circuit, type CircuitState, type Wiring } from '../circuit'
import { faultOfKind, type Fault } from '../faults'
import { instrumentOf, withConnected, workshopMeter, type Interval, type MeterType } from '../instruments'
import { partOfKind } from '../parts'
import { aftermath, noticeAll, solveBoard, type SolvedBoard } from '../board'
import { faultsLeft } from '../attempt'
import { untouched, type Conditions, type Fact, type TestSetup } from './evidence'
import { hypothesesOf, type Hypothesis } from './hypotheses'

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
    // A board that finds no rest explains nothing.
    return interval !== undefined && fact.value >= interval.low && fact.value <= interval.high
  }

  /** The readings that a hypothesis allows, all severities of its cell and all tolerances included. */
  interval(hypothesis: Hypothesis, setup: TestSetup): Interval | undefined {
    const ends = this.extremes(hypothesis, setup.state, setup.conditions).map((fault) =>
      this.endInterval(fault, setup),
    )
    if (ends.some((end) => end === undefined)) return undefined
    return {
      low: Math.min(...ends.map((end) => end!.low)),
      high: Math.max(...ends.map((end) => end!.high)),
    }
  }

  /** The board under one exact fault (undefined: healthy) in a state, or undefined if it has no answer. */
  board(
    fault: Fault | undefined,
    state: CircuitState,
    conditions: Conditions = untouched,
  ): SolvedBoard | undefined {
    const key = faultKey(fault) + stateSignature(state) + signOf(conditions)
    if (!this.boards.has(key)) {
      const faults = faultsLeft(this.circuit, fault ? [fault] : [], conditions)
      const blown = new Set(
        [...this.fusesAfter(fault), ...conditions.spent].filter((id) => !conditions.renewed.includes(id)),
      )
      const solved = solveBoard(this.circuit, faults, state, { blown, wiring: this.wiring })
      this.boards.set(key, solved.ok ? solved : undefined)
    }
    return this.boards.get(key)
  }

  private fusesAfter(fault: Fault | undefined): ReadonlySet<string> {
    // Only what draws more than the healthy circuit can melt what that does not.
    const key = fault && faultOfKind(fault.kind).drawsMore ? faultKey(fault) : ''
    if (!this.fuses.has(key))
      this.fuses.set(key, aftermath(this.circuit, fault && key ? [fault] : [], this.wiring))
    return this.fuses.get(key)!
  }

  /**
   * A cell's two ends; and where something switches between them, the severities on either side of each switching
   * point, for there readings jump and are furthest out.
   */
  private extremes(
    hypothesis: Hypothesis,
    state: CircuitState,
    conditions: Conditions = untouched,
  ): readonly (Fault | undefined)[] {
    const both = this.endsOf(hypothesis)
    const [low, high] = both
    if (!low || !high) return both
    const key = `${faultKey(low)}${stateSignature(state)}${signOf(conditions)}`
    const known = this.edges.get(key)
    if (known) return known
    const found = [low, high]
    this.halve(low, high, state, conditions, 0, found)
    this.edges.set(key, found)
    return found
  }

  private halve(
    low: Fault,
    high: Fault,
    state: CircuitState,
    conditions: Conditions,
    depth: number,
    found: Fault[],
  ): void {
    if (this.switching(low, state, conditions) === this.switching(high, state, conditions)) return
    if (depth === 12) {
      found.push(low, high)
      return
    }
    const middle: Fault = { ...low, severity: Math.sqrt(low.severity! * high.severity!) }
    this.halve(low, middle, state, conditions, depth + 1, found)
    this.halve(middle, high, state, conditions, depth + 1, found)
  }

  /** What has switched to what under a fault, as one word. */
  private switching(fault: Fault, state: CircuitState, conditions: Conditions): string {
    const solved = this.board(fault, state, conditions)
    if (!solved) return 'none'
    const fuses = [...solved.blown].join()
    const phases = solved.swing?.phases ?? [solved]
    return `${fuses}|${phases.map((phase) => [...phase.board.modes.values()].join()).join('~')}`
  }

  private endsOf(hypothesis: Hypothesis): readonly (Fault | undefined)[] {
    return hypothesis.ends.length ? hypothesis.ends : [undefined]
  }

  private endInterval(fault: Fault | undefined, setup: TestSetup): Interval | undefined {
    const { state, conditions, also = [], instrument, settings, place } = setup
    const held = JSON.stringify([instrument, settings, place, also])
    const key = `${faultKey(fault)}${stateSignature(state)}${signOf(conditions)}|${held}`
    if (!this.intervals.has(key)) {
      const solved = this.board(fault, state, conditions)
      const board = solved && withConnected(solved, also, this.meter)
      this.intervals.set(
        key,
        board?.ok
          ? instrumentOf(instrument).expect({ solved: board, place, settings, meter: this.meter })
          : undefined,
      )
    }
    return this.intervals.get(key)
  }

  private admitsSeen(hypothesis: Hypothesis, fact: Extract<Fact, { type: 'seen' }>): boolean {
    const noticed = this.extremes(hypothesis, fact.state, fact.conditions).map((fault) => {
      const solved = this.board(fault, fact.state, fact.conditions)
      return solved && noticeAll(solved)
    })
    // A board that finds no rest explains nothing.
    if (noticed.some((n) => n === undefined)) return false
    return Object.entries(fact.seen).every(([id, key]) => {
      const kind = this.circuit.parts.find((part) => part.id === id)?.kind
      const scale = kind ? (partOfKind(kind).notice?.all.map((n) => n.key) ?? []) : []
      const places = noticed.map((list) => scale.indexOf(list!.find((n) => n.part === id)?.key ?? ''))
      const seen = scale.indexOf(key)
      return seen >= Math.min(...places) && seen <= Math.max(...places)
    })
  }
}

const faultKey = (fault: Fault | undefined): string =>
  fault
    ? `${fault.kind} ${fault.part}.${fault.segment} ${fault.severity ?? ''} ${fault.at ?? ''} ${fault.other ?? ''}|`
    : '|'

const signOf = (conditions: Conditions = untouched): string =>
  conditions === untouched ? '' : JSON.stringify(conditions)
