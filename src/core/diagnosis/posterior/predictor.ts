import { batteryAmps, faultsLeft } from '../../attempt'
import { noticeAll, placesOf, solveBoard, type SolvedBoard } from '../../board'
import { stateSignature, type Circuit, type CircuitState } from '../../circuit'
import { wireUp, type Wiring } from '../../model'
import { faultOfKind, type Fault } from '../../faults'
import { instrumentOf, withConnected, workshopMeter, type Interval, type MeterType } from '../../instruments'
import { partOfKind } from '../../parts'
import { untouched, type Conditions, type Fact, type Measured, type TestSetup } from '../evidence/fact'
import { faultsAt } from '../hypotheses/severity-grid'
import { hypothesesOf } from '../hypotheses/hypotheses'
import { Alike } from '../hypotheses/alike'
import type { Hypothesis } from '../hypotheses/hypothesis'
import { residualOf, Tolerances, type ReadingResidual } from '../evidence/joint'
import { SeveritySweep, SweepPoint } from './severity-sweep'
import { Melting } from './melting'
import { smokeAmps } from '../hypotheses/priors'

/** The circuit in one state, with what earlier steps left of the bench. */
export interface Situation {
  readonly key: string
  readonly state: CircuitState
  readonly conditions: Conditions
  readonly sweeps: (SeveritySweep | undefined)[]
}

/**
 * Knows what every test would show under every fault of one circuit. Boards are solved when first asked for and kept, so
 * that judging a long attempt costs little more than judging its first test.
 */
export class Predictor {
  readonly hypotheses: readonly Hypothesis[]
  readonly wiring: Wiring
  private readonly situations = new Map<string, Situation>()
  private readonly stateNames = new WeakMap<CircuitState, string>()
  private readonly melting: Melting
  private readonly scales: readonly (readonly string[])[]
  private readonly noticed: ReadonlyMap<string, number>

  /**
   * @param planted what the board carries: its severities get places on the grids of their kinds
   * @param faults how many there may be
   */
  constructor(
    readonly circuit: Circuit,
    readonly meter: MeterType = workshopMeter,
    planted: readonly Fault[] = [],
    faults: 1 | 2 = 1,
    /** What is wrong with spares of the box. */
    private readonly spares: readonly Fault[] = [],
  ) {
    this.wiring = wireUp(circuit)
    this.melting = new Melting(circuit)
    this.hypotheses = hypothesesOf(circuit, planted, faults)
    const noticing = circuit.parts.filter((part) => partOfKind(part.kind).notice)
    this.scales = noticing.map((part) => partOfKind(part.kind).notice!.all.map((n) => n.key))
    this.noticed = new Map(noticing.map((part, i) => [part.id, i]))
  }

  /** Solved boards that it has in memory, for whoever keeps several predictors and must not keep too many. */
  get boards(): number {
    // Situations share the sweeps that nothing has touched.
    const sweeps = new Set([...this.situations.values()].flatMap(({ sweeps }) => sweeps))
    let count = 0
    for (const sweep of sweeps) for (const point of sweep?.points ?? []) if (point.isHeld) count++
    return count
  }

  /** Every piece that some fault can strike, in the order of the circuit. */
  get suspectable(): readonly string[] {
    return (this.pieces ??= [...new Set(this.hypotheses.flatMap((f) => f.pieces))])
  }
  private pieces: readonly string[] | undefined

  /** What is alike before anything is known. */
  get alike(): Alike {
    return (this.alikeAtFirst ??= Alike.of(this.circuit, this.hypotheses))
  }
  private alikeAtFirst: Alike | undefined

  /** The sound board in a situation, or undefined if it has no answer. */
  soundIn(situation: Situation): SolvedBoard | undefined {
    return this.sweep(this.hypotheses[0]!, situation).at(0).solved
  }

  situation(state: CircuitState, conditions: Conditions = untouched): Situation {
    const sign = signOf(conditions)
    let name = this.stateNames.get(state)
    if (name === undefined) this.stateNames.set(state, (name = stateSignature(this.circuit, state)))
    const key = name + sign
    const known = this.situations.get(key)
    if (known) return known
    const fresh: Situation = { key, state, conditions: sign ? conditions : untouched, sweeps: [] }
    this.situations.set(key, fresh)
    return fresh
  }

  /** A hypothesis's boards in a situation; what earlier steps did not touch is as it was without them. */
  sweep(hypothesis: Hypothesis, situation: Situation): SeveritySweep {
    const known = situation.sweeps[hypothesis.index]
    if (known) return known
    const { state, conditions } = situation
    const sweep =
      conditions !== untouched && this.isUntouched(hypothesis, conditions)
        ? this.sweep(hypothesis, this.situation(state))
        : new SeveritySweep(hypothesis, (x) => this.point(hypothesis, x, situation))
    situation.sweeps[hypothesis.index] = sweep
    return sweep
  }

  private isUntouched(hypothesis: Hypothesis, conditions: Conditions): boolean {
    if (conditions.spent.length || conditions.renewed.length) return false
    const faults = faultsAt(hypothesis, 0)
    return faultsLeft(this.circuit, faults, conditions).length === faults.length
  }

  /** Whether a short of this size would have smoked: it draws far more than the good circuit, and nothing stops it. */
  smokes(
    hypothesis: Hypothesis,
    ranges: readonly (readonly [number, number])[],
    situation: Situation,
  ): boolean {
    if (!hypothesis.fault || !faultOfKind(hypothesis.fault.kind).touches) return false
    const drawn = (one: Hypothesis, x: number): number | undefined => {
      const point = this.sweep(one, situation).at(x)
      return (point.drawn ??= point.solved && sourceAmps(point.solved))
    }
    const usual = drawn(this.hypotheses[0]!, 0)
    // The gentlest that is left: a larger resistance draws less.
    const gentle = drawn(hypothesis, ranges[ranges.length - 1]![1])
    return usual !== undefined && gentle !== undefined && gentle - usual > smokeAmps
  }

  /** Gives the boards of hypotheses back that the evidence has excluded: what they showed is kept. */
  release(hypothesis: Hypothesis, situation: Situation): void {
    situation.sweeps[hypothesis.index]?.drop()
  }

  /** The board under one exact fault (undefined: healthy) in a state, or undefined if it has no answer. */
  board(
    fault: Fault | undefined,
    state: CircuitState,
    conditions: Conditions = untouched,
  ): SolvedBoard | undefined {
    // The sound board is asked for by every rule: it is one of the hypotheses' boards.
    if (!fault) return this.soundIn(this.situation(state, conditions))
    const { blown, faults } = this.left([fault], this.melting.of([fault]), conditions)
    const solved = solveBoard(this.circuit, faults, this.situation(state, conditions).state, {
      blown: new Set(placesOf(state, blown)),
      spares: this.spares,
    })
    return solved.ok ? solved : undefined
  }

  /** Where a reading would lie on one board; undefined where it has no answer. */
  interval(point: SweepPoint, setup: TestSetup): Interval | undefined {
    const key = heldKey(setup)
    if (point.intervals.has(key)) return point.intervals.get(key)
    const { solved } = point
    const board = solved && withConnected(solved, setup.also ?? [], this.meter)
    const { instrument, settings, place } = setup
    const found = board?.ok
      ? instrumentOf(instrument).expect({ solved: board, place, settings, meter: this.meter })
      : undefined
    point.intervals.set(key, found)
    return found
  }

  /** What one board makes of one reading of volts, its tolerances apart. */
  residual(point: SweepPoint, fact: Measured): ReadingResidual | undefined {
    const key = `${heldKey(fact.setup)} ${fact.value}`
    if (!point.residuals.has(key))
      point.residuals.set(key, residualOf(point, fact, this.meter, this.tolerances))
    return point.residuals.get(key)
  }
  private readonly tolerances = new Tolerances()

  /** How far the fact lies below and above what a board allows: both at most 0 where it could have come about. */
  miss(point: SweepPoint, fact: Fact): Miss {
    // A board that finds no rest explains nothing.
    if (!point.answers) return never
    if (fact.type === 'seen') return this.missSeen(point, fact.seen)
    if (fact.type === 'flat') {
      const amps = point.solved ? batteryAmps(point.solved) : 0
      return { below: amps - fact.high, above: fact.low - amps }
    }
    if (fact.meaningless) return inside
    const interval = this.interval(point, fact.setup)
    return interval ? missOf(interval, fact) : never
  }

  private missSeen({ notices }: SweepPoint, seen: Readonly<Record<string, string>>): Miss {
    let [below, above] = [0, 0]
    const sides: number[] = []
    for (const id in seen) {
      const i = this.noticed.get(id)
      if (i === undefined) continue
      const by = this.scales[i]!.indexOf(seen[id]!) - notices[i]!
      sides.push(Math.sign(by))
      if (by < 0) below = Math.max(below, -by)
      if (by > 0) above = Math.max(above, by)
    }
    return { below: below || -1, above: above || -1, sides }
  }

  private point(hypothesis: Hypothesis, x: number, { state, conditions }: Situation): SweepPoint {
    const own = faultsAt(hypothesis, x)
    return new SweepPoint(
      x,
      () => {
        const { blown, faults } = this.left(own, this.melting.at(hypothesis, x), conditions)
        const found = solveBoard(this.circuit, faults, state, {
          blown: new Set(placesOf(state, blown)),
          spares: this.spares,
        })
        return found.ok ? found : undefined
      },
      (solved) => {
        const notices = new Int8Array(this.scales.length)
        if (solved) noticeAll(solved).forEach(({ key }, i) => (notices[i] = this.scales[i]!.indexOf(key)))
        return notices
      },
    )
  }

  private left(
    faults: readonly Fault[],
    after: ReadonlySet<string>,
    conditions: Conditions,
  ): { blown: ReadonlySet<string>; faults: readonly Fault[] } {
    if (conditions === untouched) return { blown: after, faults }
    return {
      faults: faultsLeft(this.circuit, faults, conditions),
      // What has blown since it was renewed is among what is spent.
      blown: new Set([...[...after].filter((id) => !conditions.renewed.includes(id)), ...conditions.spent]),
    }
  }
}

export interface Miss {
  readonly below: number
  readonly above: number
  /** Of what was seen: on which side of what each part shows it lies, −1, 0 or 1. */
  readonly sides?: readonly number[]
}
const never: Miss = { below: Infinity, above: Infinity }
const inside: Miss = { below: -1, above: -1 }

function missOf({ low, high }: Interval, { value }: Measured): Miss {
  // OL has no finite distance: a finite bound misses by Infinity.
  if (value === Infinity) return high === Infinity ? inside : { below: -1, above: Infinity }
  return { below: low === Infinity ? Infinity : low - value, above: value - high }
}

/** Whether nothing is missed either way. */
export const fits = ({ below, above }: Miss): boolean => below <= 0 && above <= 0

/** Amps that all sources give together. */
function sourceAmps({ board, point }: SolvedBoard): number {
  let sum = 0
  board.elements.forEach((element, i) => {
    if (element.type === 'source') sum += Math.abs(point.current[i]!)
  })
  return sum
}

const heldKeys = new WeakMap<TestSetup, string>()
/** What is held where, as one word. */
export function heldKey(setup: TestSetup): string {
  let key = heldKeys.get(setup)
  if (key === undefined) {
    const { instrument, settings, place, also = [] } = setup
    heldKeys.set(setup, (key = JSON.stringify([instrument, settings, place, also])))
  }
  return key
}

const signOf = (conditions: Conditions): string => {
  const { repairs, reseated, renewed, spent } = conditions
  return repairs.length + reseated.length + renewed.length + spent.length === 0
    ? ''
    : JSON.stringify([repairs, reseated, renewed, spent])
}
