import type { Fault } from '../faults'
import { untouched, type Fact, type Measured } from './evidence'
import { faultAt, widthOf, type Family } from './families'
import { smoked } from './priors'
import { distance, farthest, isJoint, mixed, type Residual } from './joint'
import type { Line, Sample } from './line'
import { fits, heldKey, type Miss, type Predictor, type Situation } from './predictor'

/** A stretch of a family's x, both ends included. */
export type Range = readonly [number, number]

/** What is left of one family. */
export interface Alive {
  readonly family: Family
  readonly ranges: readonly Range[]
  /** Prior times what is left of its range. */
  readonly weight: number
  /** The x whose board comes nearest to all readings. */
  readonly best: number
}

/** A belief as it is stored: families by their index, with what is left of them; and which fact excluded the others. */
export interface KeptBelief {
  readonly alive: readonly (readonly [
    index: number,
    ranges: readonly (readonly [number, number])[],
    weight: number,
    best: number,
  ])[]
  readonly excluded: readonly (readonly [number, number])[]
}

/** A class measures the same points: what follows a belief is kept for as many different readings. */
const mostAfter = 60

const factKey = (fact: Fact): string =>
  fact.type === 'seen'
    ? JSON.stringify([fact.state, fact.conditions, fact.seen])
    : `${JSON.stringify([fact.setup.state, fact.setup.conditions])}${heldKey(fact.setup)}${fact.value}${fact.meaningless}`

/** A cell between two boards is looked into until it is this part of a step of the grid; where something switches, finer. */
const finest = 1 / 8
const finestSwitch = 1 / 32
/** Edges of what is left are rounded outward to such parts, so that later facts ask for boards that are there already. */
const lattice = 16

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
        family.index,
        ranges.map(([from, to]) => [from, to] as [number, number]),
        weight,
        best,
      ]),
      excluded: [...this.excludedBy],
    }
  }

  /** The belief that was kept, of the same facts on the same circuit. */
  static restored(predictor: Predictor, facts: readonly Fact[], { alive, excluded }: KeptBelief): Belief {
    return new Belief(
      predictor,
      facts,
      alive.map(([index, ranges, weight, best]) => ({
        family: predictor.families[index]!,
        ranges,
        weight,
        best,
      })),
      new Map(excluded),
    )
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

  /** Share of the weight that is left that strikes a piece, by its name; a part stands for all its pieces. */
  doubt(name: string): number {
    if (this.total === 0) return 0
    let sum = 0
    for (const { family, weight } of this.alive) if (family.pieces.some((p) => isOf(p, name))) sum += weight
    return sum / this.total
  }

  /** The same of several pieces, by their exact names: what strikes any of them. */
  doubtOfAny(names: readonly string[]): number {
    if (this.total === 0) return 0
    let sum = 0
    for (const { family, weight } of this.alive)
      if (family.pieces.some((p) => names.includes(p))) sum += weight
    return sum / this.total
  }

  /**
   * Share of the weight that would be lost if a piece were struck out beside those in `struck`: two wires that touch are
   * still suspected while one of them stands.
   */
  lostWith(piece: string, struck: ReadonlySet<string>): number {
    if (this.total === 0) return 0
    let sum = 0
    for (const { family, weight } of this.alive) {
      const { pieces, besidePiece } = family
      if (!pieces.includes(piece)) continue
      const own = pieces.filter((p) => p !== besidePiece)
      if (piece === besidePiece || own.every((p) => p === piece || struck.has(p))) sum += weight
    }
    return sum / this.total
  }

  /** Doubt of every piece that anything is left to strike, the largest first. */
  get doubts(): ReadonlyMap<string, number> {
    return (this.shares ??= sharesOf(this))
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

function sharesOf({ alive, total }: Belief): Map<string, number> {
  const sums = new Map<string, number>()
  for (const { family, weight } of alive)
    for (const piece of family.pieces) sums.set(piece, (sums.get(piece) ?? 0) + weight / total)
  return new Map([...sums].sort((p, q) => q[1] - p[1]))
}

export const situationOf = (predictor: Predictor, fact: Fact): Situation =>
  fact.type === 'seen'
    ? predictor.situation(fact.state, fact.conditions ?? untouched)
    : predictor.situation(fact.setup.state, fact.setup.conditions ?? untouched)

/** Whether one exact board gives all the facts, together. */
export function admits(predictor: Predictor, family: Family, x: number, facts: readonly Fact[]): boolean {
  const at = (fact: Fact) => predictor.line(family, situationOf(predictor, fact)).at(x)
  if (
    !facts.every(
      (fact) => (fact.type === 'measured' && fact.meaningless) || fits(predictor.miss(at(fact), fact)),
    )
  )
    return false
  const joint = facts.filter(isJoint)
  if (joint.length < 2) return true
  const residuals = residualsAt(predictor, family, x, joint)
  return distance(residuals) <= farthest(residuals.length)
}

/** The stretches of `ranges` in which the fact could have come about. */
function restrict(predictor: Predictor, line: Line, ranges: readonly Range[], fact: Fact): readonly Range[] {
  const { grid } = line.family
  if (grid.length === 0) return fits(predictor.miss(line.at(0), fact)) ? ranges : []
  const kept: [number, number][] = []
  const keep = (from: number, to: number) => {
    const last = kept[kept.length - 1]
    if (last && from <= last[1] + 1e-9) last[1] = Math.max(last[1], to)
    else kept.push([from, to])
  }
  const look = (a: Sample, b: Sample, p: Miss, q: Miss, from: number, to: number): void => {
    if (b.x < from || a.x > to || (b.x === from && a.x < from) || (a.x === to && b.x > to)) return
    const [first, second] = [fits(p), fits(q)]
    if (first && second) return keep(Math.max(a.x, from), Math.min(b.x, to))
    // Both out on one side: between them it does not come back.
    if (!first && !second && !opposite(p, q)) return
    const jumps = a.switching !== b.switching
    if (b.x - a.x > (jumps ? finestSwitch : finest)) {
      const middle = line.at((a.x + b.x) / 2)
      const r = predictor.miss(middle, fact)
      look(a, middle, p, r, from, to)
      look(middle, b, r, q, from, to)
      return
    }
    if (jumps) {
      // On which side of the jump it is cannot be said more finely: where one end fits, all up to there does.
      if (first || second) keep(Math.max(a.x, from), Math.min(b.x, to))
      return
    }
    const [low, high] = [a.x + (b.x - a.x) * entry(p, q), b.x - (b.x - a.x) * entry(q, p)]
    if (high >= low) keep(Math.max(outward(low, -1), a.x, from), Math.min(outward(high, 1), b.x, to))
  }
  for (const [from, to] of ranges) {
    if (from === to) {
      if (fits(predictor.miss(line.at(from), fact))) keep(from, to)
      continue
    }
    const samples = fact.type === 'seen' ? line.sketched() : line.laid()
    const snapshot = samples.filter(
      (_, i) => (samples[i + 1]?.x ?? Infinity) > from && (samples[i - 1]?.x ?? -Infinity) < to,
    )
    const misses = snapshot.map((s) => predictor.miss(s, fact))
    for (let i = 1; i < snapshot.length; i++)
      look(snapshot[i - 1]!, snapshot[i]!, misses[i - 1]!, misses[i]!, from, to)
  }
  return kept.filter(([from, to]) => to >= from)
}

const outward = (x: number, way: -1 | 1): number =>
  (way < 0 ? Math.floor(x * lattice) : Math.ceil(x * lattice)) / lattice

const opposite = (p: Miss, q: Miss): boolean =>
  (p.below > 0 && q.above > 0 && !(p.above > 0 && q.below > 0)) ||
  (p.above > 0 && q.below > 0 && !(p.below > 0 && q.above > 0))

/** Share of the way from p to q at which what misses at p begins to fit; 0 where it fits at p. */
function entry(p: Miss, q: Miss): number {
  const cross = (a: number, b: number) =>
    a <= 0 ? 0 : !Number.isFinite(a) || !Number.isFinite(b) ? 0.5 : a / (a - b)
  return Math.max(cross(p.below, q.below), cross(p.above, q.above))
}

function residualsAt(
  predictor: Predictor,
  family: Family,
  x: number,
  joint: readonly Measured[],
): Residual[] {
  return joint.flatMap((fact) => {
    const sample = predictor.line(family, situationOf(predictor, fact)).at(x)
    const found = predictor.residual(sample, fact)
    return found ? [found] : []
  })
}

/** What is left of the ranges when all readings of volts have to fit one board. */
function together(
  predictor: Predictor,
  family: Family,
  ranges: readonly Range[],
  joint: readonly Measured[],
): { ranges: readonly Range[]; best: number } {
  const at = (x: number) => {
    const residuals = residualsAt(predictor, family, x, joint)
    return { x, residuals, far: distance(residuals) }
  }
  const limit = farthest(joint.length)
  const kept: Range[] = []
  let best: { x: number; far: number } | undefined
  for (const [from, to] of ranges) {
    const ends = from === to ? [at(from)] : [at(from), at(to)]
    // Looked into where it comes nearest, until the board there is what its neighbours make of it.
    for (let round = 0; round < 6 && ends.length > 1; round++) {
      let nearest: { i: number; share: number; far: number } | undefined
      for (let i = 1; i < ends.length; i++) {
        const found = nearestBetween(ends[i - 1]!, ends[i]!)
        if (!nearest || found.far < nearest.far) nearest = { i, ...found }
      }
      if (!nearest) break
      const [a, b] = [ends[nearest.i - 1]!, ends[nearest.i]!]
      const width = b.x - a.x
      const flat = Math.abs(a.far - b.far) < 0.5 && a.far <= limit && b.far <= limit
      if (width <= 1 / lattice || (flat && round > 0)) break
      const share = Math.min(0.8, Math.max(0.2, nearest.share))
      const x = Math.round((a.x + width * share) * lattice) / lattice
      if (x <= a.x || x >= b.x) break
      ends.splice(nearest.i, 0, at(x))
    }
    let left: [number, number] | undefined
    const take = (a: number, b: number) => {
      left = left ? [Math.min(left[0], a), Math.max(left[1], b)] : [a, b]
    }
    for (const end of ends) {
      if (!best || end.far < best.far) best = end
      if (end.far <= limit) take(end.x, end.x)
    }
    for (let i = 1; i < ends.length; i++) {
      const [a, b] = [ends[i - 1]!, ends[i]!]
      const width = b.x - a.x
      const found = nearestBetween(a, b)
      if (found.far > limit) continue
      const x = a.x + width * found.share
      if (found.far < (best?.far ?? Infinity)) best = { x, far: found.far }
      take(x, x)
      if (a.far > limit) take(edge(a, b, found, limit), x)
      if (b.far > limit) take(x, edge(b, a, { ...found, share: 1 - found.share }, limit))
    }
    if (left) kept.push([Math.max(from, outward(left[0], -1)), Math.min(to, outward(left[1], 1))])
  }
  return { ranges: kept, best: best?.x ?? 0 }
}

interface End {
  readonly x: number
  readonly residuals: readonly Residual[]
  readonly far: number
}

/** Where between two boards the readings come nearest, what lies between taken as straight. */
function nearestBetween(a: End, b: End): { share: number; far: number } {
  if (a.residuals.length !== b.residuals.length)
    return a.far <= b.far ? { share: 0, far: a.far } : { share: 1, far: b.far }
  const far = (share: number) => distance(a.residuals.map((r, i) => mixed(r, b.residuals[i]!, share)))
  let [low, high] = [0, 1]
  for (let i = 0; i < 12; i++) {
    const [p, q] = [low + (high - low) / 3, high - (high - low) / 3]
    if (far(p) <= far(q)) high = q
    else low = p
  }
  const share = (low + high) / 2
  const found = far(share)
  if (a.far <= found) return { share: 0, far: a.far }
  return b.far <= found ? { share: 1, far: b.far } : { share, far: found }
}

/** The x between `a`, where the readings are too far, and the nearest point, at which they are just near enough. */
function edge(a: End, b: End, { share }: { share: number }, limit: number): number {
  if (a.residuals.length !== b.residuals.length) return a.x + (b.x - a.x) * share
  let [out, within] = [0, share]
  for (let i = 0; i < 8; i++) {
    const middle = (out + within) / 2
    const far = distance(a.residuals.map((r, k) => mixed(r, b.residuals[k]!, middle)))
    if (far > limit) out = middle
    else within = middle
  }
  return a.x + (b.x - a.x) * within
}

/** Of what is left, the x whose board comes nearest to the middle of a reading's band. */
function bestOf(predictor: Predictor, line: Line | undefined, ranges: readonly Range[], fact: Fact): number {
  const [from, to] = ranges[0]!
  if (!line || from === to) return from
  let best = from
  let least = Infinity
  for (const sample of line.samples) {
    if (!ranges.some(([a, b]) => sample.x >= a && sample.x <= b)) continue
    const { below, above } = predictor.miss(sample, fact)
    const worst = Math.max(below, above)
    if (worst < least) [least, best] = [worst, sample.x]
  }
  return least <= 0 ? best : (from + to) / 2
}

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
