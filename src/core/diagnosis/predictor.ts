import { faultsLeft } from '../attempt'
import { noticeAll, solveBoard, type SolvedBoard } from '../board'
import { stateSignature, type Circuit, type CircuitState } from '../circuit'
import { wireUp, type Wiring } from '../model'
import { faultOfKind, type Fault } from '../faults'
import { instrumentOf, withConnected, workshopMeter, type Interval, type MeterType } from '../instruments'
import { partOfKind } from '../parts'
import { untouched, type Conditions, type Fact, type Measured, type TestSetup } from './evidence'
import { faultsAt, familiesOf, type Family } from './families'
import { residualOf, Tolerances, type Residual } from './joint'
import { Line, Sample } from './line'
import { Melting } from './melting'
import { smokeAmps } from './priors'

/** The circuit in one state, with what earlier steps left of the bench. */
export interface Situation {
  readonly key: string
  readonly state: CircuitState
  readonly conditions: Conditions
  readonly lines: (Line | undefined)[]
}

/**
 * Knows what every test would show under every fault of one circuit. Boards are solved when first asked for and kept, so
 * that judging a long attempt costs little more than judging its first test.
 */
export class Predictor {
  readonly families: readonly Family[]
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
  ) {
    this.wiring = wireUp(circuit)
    this.melting = new Melting(circuit)
    this.families = familiesOf(circuit, planted, faults)
    const noticing = circuit.parts.filter((part) => partOfKind(part.kind).notice)
    this.scales = noticing.map((part) => partOfKind(part.kind).notice!.all.map((n) => n.key))
    this.noticed = new Map(noticing.map((part, i) => [part.id, i]))
  }

  /** Solved boards that it has in memory, for whoever keeps several predictors and must not keep too many. */
  get boards(): number {
    // Situations share the lines that nothing has touched.
    const lines = new Set([...this.situations.values()].flatMap(({ lines }) => lines))
    let count = 0
    for (const line of lines) for (const sample of line?.samples ?? []) if (sample.isHeld) count++
    return count
  }

  /** Every piece that some fault can strike, in the order of the circuit. */
  get suspectable(): readonly string[] {
    return (this.pieces ??= [...new Set(this.families.flatMap((f) => f.pieces))])
  }
  private pieces: readonly string[] | undefined

  situation(state: CircuitState, conditions: Conditions = untouched): Situation {
    const sign = signOf(conditions)
    let name = this.stateNames.get(state)
    if (name === undefined) this.stateNames.set(state, (name = stateSignature(state)))
    const key = name + sign
    const known = this.situations.get(key)
    if (known) return known
    const fresh: Situation = { key, state, conditions: sign ? conditions : untouched, lines: [] }
    this.situations.set(key, fresh)
    return fresh
  }

  /** A family's boards in a situation; what earlier steps did not touch is as it was without them. */
  line(family: Family, situation: Situation): Line {
    const known = situation.lines[family.index]
    if (known) return known
    const { state, conditions } = situation
    const line =
      conditions !== untouched && this.isUntouched(family, conditions)
        ? this.line(family, this.situation(state))
        : new Line(family, (x) => this.sample(family, x, situation))
    situation.lines[family.index] = line
    return line
  }

  private isUntouched(family: Family, conditions: Conditions): boolean {
    if (conditions.spent.length || conditions.renewed.length) return false
    const faults = faultsAt(family, 0)
    return faultsLeft(this.circuit, faults, conditions).length === faults.length
  }

  /** Whether a short of this size would have smoked: it draws far more than the good circuit, and nothing stops it. */
  smokes(family: Family, ranges: readonly (readonly [number, number])[], situation: Situation): boolean {
    if (!family.fault || !faultOfKind(family.fault.kind).touches) return false
    const drawn = (one: Family, x: number): number | undefined => {
      const sample = this.line(one, situation).at(x)
      return (sample.drawn ??= sample.solved && sourceAmps(sample.solved))
    }
    const usual = drawn(this.families[0]!, 0)
    // The gentlest that is left: a larger resistance draws less.
    const gentle = drawn(family, ranges[ranges.length - 1]![1])
    return usual !== undefined && gentle !== undefined && gentle - usual > smokeAmps
  }

  /** Gives the boards of families back that the evidence has excluded: what they showed is kept. */
  release(family: Family, situation: Situation): void {
    situation.lines[family.index]?.drop()
  }

  /** The board under one exact fault (undefined: healthy) in a state, or undefined if it has no answer. */
  board(
    fault: Fault | undefined,
    state: CircuitState,
    conditions: Conditions = untouched,
  ): SolvedBoard | undefined {
    // The sound board is asked for by every rule: it is one of the families' boards.
    if (!fault) return this.line(this.families[0]!, this.situation(state, conditions)).at(0).solved
    const { blown, faults } = this.left([fault], this.melting.of([fault]), conditions)
    const solved = solveBoard(this.circuit, faults, this.situation(state, conditions).state, {
      blown,
    })
    return solved.ok ? solved : undefined
  }

  /** Where a reading would lie on one board; undefined where it has no answer. */
  interval(sample: Sample, setup: TestSetup): Interval | undefined {
    const key = heldKey(setup)
    if (sample.intervals.has(key)) return sample.intervals.get(key)
    const { solved } = sample
    const board = solved && withConnected(solved, setup.also ?? [], this.meter)
    const { instrument, settings, place } = setup
    const found = board?.ok
      ? instrumentOf(instrument).expect({ solved: board, place, settings, meter: this.meter })
      : undefined
    sample.intervals.set(key, found)
    return found
  }

  /** What one board makes of one reading of volts, its tolerances apart. */
  residual(sample: Sample, fact: Measured): Residual | undefined {
    const key = `${heldKey(fact.setup)} ${fact.value}`
    if (!sample.residuals.has(key))
      sample.residuals.set(key, residualOf(sample, fact, this.meter, this.tolerances))
    return sample.residuals.get(key)
  }
  private readonly tolerances = new Tolerances()

  /** How far the fact lies below and above what a board allows: both at most 0 where it could have come about. */
  miss(sample: Sample, fact: Fact): Miss {
    // A board that finds no rest explains nothing.
    if (!sample.answers) return never
    if (fact.type === 'seen') return this.missSeen(sample, fact.seen)
    if (fact.meaningless) return inside
    const interval = this.interval(sample, fact.setup)
    return interval ? missOf(interval, fact) : never
  }

  private missSeen({ notices }: Sample, seen: Readonly<Record<string, string>>): Miss {
    let [below, above] = [0, 0]
    for (const id in seen) {
      const i = this.noticed.get(id)
      if (i === undefined) continue
      const by = this.scales[i]!.indexOf(seen[id]!) - notices[i]!
      if (by < 0) below = Math.max(below, -by)
      if (by > 0) above = Math.max(above, by)
    }
    return below > 0 && above > 0 ? never : { below: below || -1, above: above || -1 }
  }

  private sample(family: Family, x: number, { state, conditions }: Situation): Sample {
    const own = faultsAt(family, x)
    return new Sample(
      x,
      () => {
        const { blown, faults } = this.left(own, this.melting.at(family, x), conditions)
        const found = solveBoard(this.circuit, faults, state, { blown })
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
}
const never: Miss = { below: Infinity, above: Infinity }
const inside: Miss = { below: -1, above: -1 }

function missOf({ low, high }: Interval, { value }: Measured): Miss {
  // Beyond the range of the meter there is no how far.
  if (value === Infinity) return high === Infinity ? inside : { below: -1, above: Infinity }
  return { below: low === Infinity ? Infinity : low - value, above: value - high }
}

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
