import type { Fault } from '../faults'
import type { Fact } from './evidence'
import { faultAt, widthOf, type Family } from './families'
import { smoked } from './priors'
import { isJoint } from './joint'
import { admits, bestOf, restrict, situationOf, together, type Range } from './narrow'
import { heldKey, type Predictor } from './predictor'

/** What is left of one family. */
export interface Alive {
  readonly family: Family
  readonly ranges: readonly Range[]
  /** Prior times what is left of its range. */
  readonly weight: number
  /** The x whose board comes nearest to all readings. */
  readonly best: number
}

/** A belief as it is stored: families by their names, with what is left of them; and which fact excluded the others. */
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
  fact.type === 'seen'
    ? JSON.stringify([fact.state, fact.conditions, fact.seen])
    : `${JSON.stringify([fact.setup.state, fact.setup.conditions])}${heldKey(fact.setup)}${fact.value}${fact.meaningless}`

/**
 * What the facts so far leave possible. Each fact restricts the severity of each family to some stretches of its range; all
 * facts together leave their intersection, and readings of volts have to fit one board's tolerances together.
 */
export class Belief {
  private constructor(
    readonly predictor: Predictor,
    readonly facts: readonly Fact[],
    readonly alive: readonly Alive[],
    /** Which fact, by index, excluded a family, by the family's index. */
    readonly excludedBy: ReadonlyMap<number, number>,
  ) {}

  /** Before anything is known. */
  static of(predictor: Predictor, families: readonly Family[] = predictor.families): Belief {
    return new Belief(
      predictor,
      [],
      families.map((family) => ({
        family,
        ranges: [[0, Math.max(0, family.grid.length - 1)]],
        weight: family.prior,
        best: 0,
      })),
      new Map(),
    )
  }

  /** What is kept of a belief, to be taken up again without working it out anew. */
  kept(): KeptBelief {
    return {
      alive: this.alive.map(({ family, ranges, weight, best }) => [
        family.name,
        ranges.map(([from, to]) => [from, to] as [number, number]),
        weight,
        best,
      ]),
      excluded: [...this.excludedBy].map(([index, fact]) => [this.predictor.families[index]!.name, fact]),
    }
  }

  /** The belief that was kept, of the same facts on the same circuit; undefined where it is of other families than these. */
  static restored(
    predictor: Predictor,
    facts: readonly Fact[],
    { alive, excluded }: KeptBelief,
  ): Belief | undefined {
    const byName = new Map(predictor.families.map((family) => [family.name, family]))
    if (alive.length + excluded.length !== byName.size) return undefined
    const kept: Alive[] = []
    for (const [name, ranges, weight, best] of alive) {
      const family = byName.get(name)
      if (!family) return undefined
      kept.push({ family, ranges, weight, best })
    }
    const excludedBy = new Map<number, number>()
    for (const [name, fact] of excluded) {
      const family = byName.get(name)
      if (!family) return undefined
      excludedBy.set(family.index, fact)
    }
    return new Belief(predictor, facts, kept, excludedBy)
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
    const told = fact.type === 'seen' || !fact.meaningless
    const joint = facts.filter(isJoint)
    const weigh = isJoint(fact) && joint.length > 1
    for (const one of this.alive) {
      const { family } = one
      const line = told ? predictor.line(family, situation) : undefined
      const ranges = line ? restrict(predictor, line, one.ranges, fact) : one.ranges
      const left = ranges.length && weigh ? together(predictor, family, ranges, joint) : undefined
      const kept = left?.ranges ?? ranges
      if (kept.length === 0) {
        excludedBy.set(family.index, facts.length - 1)
        predictor.release(family, situation)
        continue
      }
      alive.push({
        family,
        ranges: kept,
        weight:
          family.prior * widthOf(family, kept) * (predictor.smokes(family, kept, situation) ? smoked : 1),
        best: left?.best ?? bestOf(predictor, line, kept, fact),
      })
    }
    return new Belief(predictor, facts, alive, excludedBy)
  }

  get total(): number {
    return (this.sum ??= this.alive.reduce((sum, { weight }) => sum + weight, 0))
  }
  private sum: number | undefined

  /**
   * Share of the weight that is left of which something holds. Of two faults each is looked for beside the other one as it
   * is: what holds of one or the other holds of the board, so the two shares are put together as those of two draws.
   */
  private shareOf(holds: (family: Family) => boolean): number {
    if (this.total === 0) return 0
    const struck = new Float64Array(this.companies.length)
    for (const { family, weight } of this.alive) if (holds(family)) struck[family.company]! += weight
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
    const sums = new Float64Array(1 + Math.max(0, ...this.alive.map(({ family }) => family.company)))
    for (const { family, weight } of this.alive) sums[family.company]! += weight
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
    for (const { family, weight } of this.alive)
      for (const piece of family.pieces) {
        let own = sums.get(piece)
        if (!own) sums.set(piece, (own = new Float64Array(companies.length)))
        own[family.company]! += weight
      }
    const shares = [...sums].map(([piece, own]) => [piece, this.combined(own)] as const)
    return (this.shares = new Map(shares.sort((p, q) => q[1] - p[1])))
  }
  private shares: ReadonlyMap<string, number> | undefined

  /** Share of the sound circuit. */
  get sound(): number {
    const found = this.alive.find(({ family }) => family.index === 0)
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
      .filter(({ family }) => family.pieces.some((p) => isOf(p, name)))
      .sort((p, q) => q.weight - p.weight)
  }

  /** The fact, by index, that excluded the last that could strike a piece; undefined where something still can. */
  clearedBy(name: string): number | undefined {
    let last: number | undefined
    for (const family of this.predictor.families) {
      if (!family.pieces.some((p) => isOf(p, name))) continue
      const by = this.excludedBy.get(family.index)
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

  private exampleOf({ family, ranges, best }: Alive): Fault | undefined {
    const middle = ranges.map(([a, b]) => (a + b) / 2)
    for (const x of [best, ...middle])
      if (admits(this.predictor, family, x, this.facts)) return faultAt(family, x)
    return undefined
  }

  /** From what to what size a family's fault may be; undefined where it has none. */
  sizeOf({ family, ranges }: Alive): readonly [number, number] | undefined {
    const [from, to] = [ranges[0]?.[0], ranges[ranges.length - 1]?.[1]]
    if (family.grid.length === 0 || from === undefined || to === undefined) return undefined
    return [faultAt(family, from)!.severity!, faultAt(family, to)!.severity!]
  }
}

const isOf = (piece: string, name: string): boolean => piece === name || piece.startsWith(`${name}.`)

/**
 * Facts that contradict each other: the fewest, one or two, whose removal lets something be possible again.
 * @returns indices into `facts`; empty where nothing contradicts, or nothing so small does
 */
export function contradiction(predictor: Predictor, facts: readonly Fact[]): number[] {
  const stands = (left: readonly Fact[]): boolean => {
    let belief = Belief.of(predictor)
    for (const fact of left) {
      belief = belief.with(fact)
      if (belief.alive.length === 0) return false
    }
    return true
  }
  if (stands(facts)) return []
  const without = (...out: number[]) => facts.filter((_, i) => !out.includes(i))
  // The last one first: up to there everything was possible.
  const order = facts.map((_, i) => i).reverse()
  for (const i of order) if (stands(without(i))) return [i]
  for (const i of order) for (const k of order) if (k < i && stands(without(i, k))) return [k, i]
  return []
}
