import type { Fault } from '../../faults'
import type { Fact } from '../evidence/fact'
import { faultAt, widthOf } from '../hypotheses/severity-grid'
import type { Alike } from '../hypotheses/alike'
import type { Hypothesis } from '../hypotheses/hypothesis'
import { smoked } from '../hypotheses/priors'
import { isJoint } from '../evidence/joint'
import { admits, bestOf, restrict, shownTogether, situationOf, together, type Range } from './restrict'
import { heldKey, type Predictor, type Situation } from './predictor'

/** What is left of one hypothesis. */
export interface Alive {
  readonly hypothesis: Hypothesis
  readonly ranges: readonly Range[]
  /** Prior times what is left of its range. */
  readonly weight: number
  /** The x whose board comes nearest to all readings. */
  readonly best: number
}

/** A belief as it is stored: hypotheses by their names, with what is left of them; and which fact excluded the others. */
export interface KeptBelief {
  readonly alive: readonly (readonly [
    name: string,
    ranges: readonly (readonly [number, number])[],
    weight: number,
    best: number,
  ])[]
  readonly excluded: readonly (readonly [name: string, fact: number])[]
}

/** A class measures the same points: what follows a belief is kept for as many different readings. */
const mostAfter = 60

const factKey = (fact: Fact): string =>
  fact.type !== 'measured'
    ? JSON.stringify(fact)
    : `${JSON.stringify([fact.setup.state, fact.setup.conditions])}${heldKey(fact.setup)}${fact.value}${fact.meaningless}`

/**
 * What the facts so far leave possible. Each fact restricts the severity of each hypothesis to some stretches of its range; all
 * facts together leave their intersection, and readings of volts have to fit one board's tolerances together.
 */
export class Belief {
  private constructor(
    readonly predictor: Predictor,
    readonly facts: readonly Fact[],
    readonly alive: readonly Alive[],
    /** Which fact, by index, excluded a hypothesis, by the hypothesis's index. */
    readonly excludedBy: ReadonlyMap<number, number>,
    /** What the facts cannot tell apart. */
    private readonly alike: Alike,
    /** What the last fact has excluded, and where its boards are. */
    private readonly gone: [Hypothesis, Situation][] = [],
  ) {}

  /** Before anything is known. */
  static of(predictor: Predictor, hypotheses: readonly Hypothesis[] = predictor.hypotheses): Belief {
    return new Belief(
      predictor,
      [],
      hypotheses.map((hypothesis) => ({
        hypothesis,
        ranges: [[0, Math.max(0, hypothesis.grid.length - 1)]],
        weight: hypothesis.prior,
        best: 0,
      })),
      new Map(),
      predictor.alike,
    )
  }

  /** What is kept of a belief, to be taken up again without working it out anew. */
  kept(): KeptBelief {
    return {
      alive: this.alive.map(({ hypothesis, ranges, weight, best }) => [
        hypothesis.name,
        ranges.map(([from, to]) => [from, to] as [number, number]),
        weight,
        best,
      ]),
      excluded: [...this.excludedBy].map(([index, fact]) => [this.predictor.hypotheses[index]!.name, fact]),
    }
  }

  /** The belief that was kept, of the same facts on the same circuit; undefined where it is of other hypotheses than these. */
  static restored(
    predictor: Predictor,
    facts: readonly Fact[],
    { alive, excluded }: KeptBelief,
  ): Belief | undefined {
    const byName = new Map(predictor.hypotheses.map((hypothesis) => [hypothesis.name, hypothesis]))
    if (alive.length + excluded.length !== byName.size) return undefined
    const kept: Alive[] = []
    for (const [name, ranges, weight, best] of alive) {
      const hypothesis = byName.get(name)
      if (!hypothesis) return undefined
      kept.push({ hypothesis, ranges, weight, best })
    }
    const excludedBy = new Map<number, number>()
    for (const [name, fact] of excluded) {
      const hypothesis = byName.get(name)
      if (!hypothesis) return undefined
      excludedBy.set(hypothesis.index, fact)
    }
    const alike = facts.reduce((known, fact) => alikeAfter(predictor, known, fact), predictor.alike)
    return new Belief(predictor, facts, kept, excludedBy, alike)
  }

  /** After one more fact; what was asked before is remembered. */
  with(fact: Fact): Belief {
    const key = factKey(fact)
    const known = this.after.get(key)
    if (known) return known
    if (this.after.size >= mostAfter) this.after.clear()
    const next = this.worked(fact)
    this.after.set(key, next)
    return next
  }
  private readonly after = new Map<string, Belief>()

  private worked(fact: Fact): Belief {
    const { predictor } = this
    const facts = [...this.facts, fact]
    const situation = situationOf(predictor, fact)
    const excludedBy = new Map(this.excludedBy)
    const alive: Alive[] = []
    // What the fact before has excluded is weighed against once more, when its test is: now nobody asks for it.
    for (const [hypothesis, at] of this.gone.splice(0)) predictor.release(hypothesis, at)
    const gone: [Hypothesis, Situation][] = []
    const alike = alikeAfter(predictor, this.alike, fact)
    /** What became of the first of each group: the same as of all others of it. */
    const worked = new Map<number, Narrowed | undefined>()
    for (const one of this.alive) {
      const { hypothesis } = one
      const group = alike.groupOf(hypothesis)
      let left: Narrowed | undefined
      if (group !== undefined && worked.has(group)) left = worked.get(group)
      else {
        left = narrowed(predictor, one, facts)
        if (group !== undefined) worked.set(group, left)
      }
      if (!left) {
        excludedBy.set(hypothesis.index, facts.length - 1)
        gone.push([hypothesis, situation])
        continue
      }
      const { ranges, best } = left
      const weight =
        hypothesis.prior *
        widthOf(hypothesis, ranges) *
        (predictor.smokes(hypothesis, ranges, situation) ? smoked : 1)
      alive.push({ hypothesis, ranges, weight, best })
    }
    return new Belief(predictor, facts, alive, excludedBy, alike, gone)
  }

  /** Of what is left, one of each group that the facts cannot tell apart. */
  get distinct(): readonly Alive[] {
    const groups = new Set<number>()
    return this.alive.filter(({ hypothesis }) => {
      const group = this.alike.groupOf(hypothesis)
      if (group === undefined) return true
      return !groups.has(group) && groups.add(group)
    })
  }

  get total(): number {
    return (this.sum ??= this.alive.reduce((sum, { weight }) => sum + weight, 0))
  }
  private sum: number | undefined

  /**
   * Share of the remaining weight of the hypotheses for which `holds` is true. With two planted faults it is
   * P = 1 − ∏(1 − shareᵢ): companions of each planted fault are independent draws.
   */
  private shareOf(holds: (hypothesis: Hypothesis) => boolean): number {
    if (this.total === 0) return 0
    const struck = new Float64Array(this.companies.length)
    for (const { hypothesis, weight } of this.alive)
      if (holds(hypothesis)) struck[hypothesis.company]! += weight
    return this.combined(struck)
  }

  private combined(struck: ArrayLike<number>): number {
    const { companies, total } = this
    const alone = companies[0]!
    let missed = 1
    for (let i = 1; i < companies.length; i++) if (companies[i]! > 0) missed *= 1 - struck[i]! / companies[i]!
    return (struck[0]! + (total - alone) * (1 - missed)) / total
  }

  /** Weight that is left of single faults, and beside each of those planted. */
  private get companies(): Float64Array {
    if (this.byCompany) return this.byCompany
    const sums = new Float64Array(1 + Math.max(0, ...this.alive.map(({ hypothesis }) => hypothesis.company)))
    for (const { hypothesis, weight } of this.alive) sums[hypothesis.company]! += weight
    return (this.byCompany = sums)
  }
  private byCompany: Float64Array | undefined

  /** Share of the weight that is left that strikes a piece, by its name; a part stands for all its pieces. */
  doubt(name: string): number {
    return this.shareOf(({ pieces }) => pieces.some((p) => isOf(p, name)))
  }

  /** The same of several pieces, by their exact names: what strikes any of them. */
  doubtOfAny(names: readonly string[]): number {
    return this.shareOf(({ pieces }) => pieces.some((p) => names.includes(p)))
  }

  /**
   * Share of the weight that would be lost if a piece were struck out beside those in `struck`: two wires that touch are
   * still suspected while one of them stands.
   */
  lostWith(piece: string, struck: ReadonlySet<string>): number {
    return this.shareOf(
      ({ pieces }) => pieces.includes(piece) && pieces.every((p) => p === piece || struck.has(p)),
    )
  }

  /** Doubt of every piece that anything is left to strike, the largest first. */
  get doubts(): ReadonlyMap<string, number> {
    if (this.shares) return this.shares
    const { companies } = this
    const sums = new Map<string, Float64Array>()
    for (const { hypothesis, weight } of this.alive)
      for (const piece of hypothesis.pieces) {
        let own = sums.get(piece)
        if (!own) sums.set(piece, (own = new Float64Array(companies.length)))
        own[hypothesis.company]! += weight
      }
    const shares = [...sums].map(([piece, own]) => [piece, this.combined(own)] as const)
    return (this.shares = new Map(shares.sort((p, q) => q[1] - p[1])))
  }
  private shares: ReadonlyMap<string, number> | undefined

  /** Share of the sound circuit. */
  get sound(): number {
    const found = this.alive.find(({ hypothesis }) => hypothesis.index === 0)
    return found ? found.weight / this.total : 0
  }

  /** Bits of doubt about which piece it is. */
  get bits(): number {
    let bits = this.sound > 0 ? -this.sound * Math.log2(this.sound) : 0
    for (const share of this.doubts.values()) if (share > 0 && share < 1) bits -= share * Math.log2(share)
    return bits
  }

  /** What is left that strikes a piece, the likeliest first. */
  striking(name: string): readonly Alive[] {
    return this.alive
      .filter(({ hypothesis }) => hypothesis.pieces.some((p) => isOf(p, name)))
      .sort((p, q) => q.weight - p.weight)
  }

  /** The fact, by index, that excluded the last that could strike a piece; undefined where something still can. */
  clearedBy(name: string): number | undefined {
    let last: number | undefined
    for (const hypothesis of this.predictor.hypotheses) {
      if (!hypothesis.pieces.some((p) => isOf(p, name))) continue
      const by = this.excludedBy.get(hypothesis.index)
      if (by === undefined) return undefined
      last = Math.max(last ?? 0, by)
    }
    return last
  }

  /** An exact fault of those left that has been solved and found to give every reading; undefined where none was found. */
  example(name: string): Fault | undefined {
    for (const one of this.striking(name).slice(0, 6)) {
      const found = this.exampleOf(one)
      if (found) return found
    }
    return undefined
  }

  private exampleOf({ hypothesis, ranges, best }: Alive): Fault | undefined {
    const middle = ranges.map(([a, b]) => (a + b) / 2)
    for (const x of [best, ...middle])
      if (admits(this.predictor, hypothesis, x, this.facts)) return faultAt(hypothesis, x)
    return undefined
  }

  /** From what to what size a hypothesis's fault may be; undefined where it has none. */
  sizeOf({ hypothesis, ranges }: Alive): readonly [number, number] | undefined {
    const [from, to] = [ranges[0]?.[0], ranges[ranges.length - 1]?.[1]]
    if (hypothesis.grid.length === 0 || from === undefined || to === undefined) return undefined
    return [faultAt(hypothesis, from)!.severity!, faultAt(hypothesis, to)!.severity!]
  }
}

const isOf = (piece: string, name: string): boolean => piece === name || piece.startsWith(`${name}.`)

const alikeAfter = (predictor: Predictor, alike: Alike, fact: Fact): Alike =>
  alike.after(fact, predictor.soundIn(situationOf(predictor, fact))?.board, predictor.hypotheses)

type Narrowed = Pick<Alive, 'ranges' | 'best'>

/**
 * What the last of the facts leaves of one hypothesis; undefined where nothing.
 * @param facts with the new one at their end
 */
export function narrowed(
  predictor: Predictor,
  { hypothesis, ranges: before }: Pick<Alive, 'hypothesis' | 'ranges'>,
  facts: readonly Fact[],
): Narrowed | undefined {
  const fact = facts.at(-1)!
  const told = fact.type !== 'measured' || !fact.meaningless
  const sweep = told ? predictor.sweep(hypothesis, situationOf(predictor, fact)) : undefined
  const { ranges: shown, points } = sweep
    ? restrict(predictor, sweep, before, fact)
    : { ranges: before, points: [] }
  const ranges = fact.type === 'seen' ? shownTogether(predictor, hypothesis, shown, facts) : shown
  const joint = isJoint(fact) ? facts.filter(isJoint) : []
  const left = ranges.length && joint.length > 1 ? together(predictor, hypothesis, ranges, joint) : undefined
  const kept = left?.ranges ?? ranges
  if (kept.length === 0) return undefined
  return { ranges: kept, best: left?.best ?? bestOf(predictor, points, kept, fact) }
}
