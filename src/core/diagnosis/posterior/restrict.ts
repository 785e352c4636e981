import { untouched, type Fact, type Measured } from '../evidence/fact'
import type { Hypothesis } from '../hypotheses/hypothesis'
import { distance, farthest, isJoint, lengthIn, spreadOf, type ReadingResidual } from '../evidence/joint'
import { sameSeen, type SeveritySweep, type SweepPoint } from './severity-sweep'
import { fits, type Miss, type Predictor, type Situation } from './predictor'

/** A stretch of a hypothesis's x, both ends included. */
export type Range = readonly [number, number]

/** A cell between two boards is looked into until it is this part of a step of the grid; where something switches, finer. */
const finest = 1 / 8
const finestSwitch = 1 / 32
/** Between two boards so near to each other nothing is looked for where both miss on the same side. */
const widestBlind = 1 / 4
/** What a person sees changes in steps: a size that shows just this is looked for down to so narrow a window. */
const finestNotice = 1 / 256
/** Edges of what is left are rounded outward to such parts, so that later facts ask for boards that are there already. */
const lattice = 16

/** The situation in which a fact was found. */
export const situationOf = (predictor: Predictor, fact: Fact): Situation =>
  fact.type === 'measured'
    ? predictor.situation(fact.setup.state, fact.setup.conditions ?? untouched)
    : predictor.situation(fact.state, fact.conditions ?? untouched)

/**
 * Whether one exact board gives all the facts, together.
 * @param x place on the hypothesis's grid, from 0
 */
export function admits(
  predictor: Predictor,
  hypothesis: Hypothesis,
  x: number,
  facts: readonly Fact[],
): boolean {
  const at = (fact: Fact) => predictor.sweep(hypothesis, situationOf(predictor, fact)).at(x)
  if (
    !facts.every(
      (fact) => (fact.type === 'measured' && fact.meaningless) || fits(predictor.miss(at(fact), fact)),
    )
  )
    return false
  const joint = facts.filter(isJoint)
  if (joint.length < 2) return true
  const residuals = residualsAt(predictor, hypothesis, x, joint)
  return distance(residuals) <= farthest(residuals.length)
}

/** Boards that are solved at most while a size is looked for. */
const mostHalvings = 8

/**
 * A size of which one exact board gives a reading, looked for by halving between the smallest and the largest: quick, and
 * enough for an example.
 * @returns place on the hypothesis's grid; undefined where none was found, which does not prove that there is none
 */
export function sizeThatGives(
  predictor: Predictor,
  hypothesis: Hypothesis,
  fact: Measured,
): number | undefined {
  const sweep = predictor.sweep(hypothesis, situationOf(predictor, fact))
  const missAt = (x: number) => predictor.miss(sweep.at(x), fact)
  let [low, high] = [0, Math.max(0, hypothesis.grid.length - 1)]
  let [atLow, atHigh] = [missAt(low), missAt(high)]
  if (fits(atLow)) return low
  if (fits(atHigh)) return high
  for (let n = 0; n < mostHalvings && opposite(atLow, atHigh); n++) {
    const middle = (low + high) / 2
    const at = missAt(middle)
    if (fits(at)) return middle
    if (opposite(atLow, at)) [high, atHigh] = [middle, at]
    else [low, atLow] = [middle, at]
  }
  return undefined
}

/** The stretches of `ranges` in which the fact could have come about, and the boards that were looked at. */
export function restrict(
  predictor: Predictor,
  sweep: SeveritySweep,
  ranges: readonly Range[],
  fact: Fact,
): { readonly ranges: readonly Range[]; readonly points: readonly SweepPoint[] } {
  const { grid } = sweep.hypothesis
  if (grid.length === 0) return { ranges: fits(predictor.miss(sweep.at(0), fact)) ? ranges : [], points: [] }
  const looked: SweepPoint[] = []
  const at = (x: number): SweepPoint => {
    const point = sweep.at(x)
    looked.push(point)
    return point
  }
  const kept: [number, number][] = []
  const keep = (from: number, to: number) => {
    const last = kept[kept.length - 1]
    if (last && from <= last[1] + 1e-9) last[1] = Math.max(last[1], to)
    else kept.push([from, to])
  }
  const look = (
    a: SweepPoint,
    b: SweepPoint,
    p: Miss,
    q: Miss,
    from: number,
    to: number,
    /** One end was solved where the edge was thought to be. */
    nearEdge = false,
  ): void => {
    if (b.x < from || a.x > to || (b.x === from && a.x < from) || (a.x === to && b.x > to)) return
    const [first, second] = [fits(p), fits(q)]
    if (first && second) return keep(Math.max(a.x, from), Math.min(b.x, to))
    // Both miss on the same side: nothing between them fits, unless something switches or is seen to change and back.
    if (!first && !second && !mayFitBetween(p, q) && (b.x - a.x <= widestBlind || sameSeen(a, b))) return
    const jumps = a.switching !== b.switching
    const searched = fact.type === 'seen' && !first && !second
    const smooth = !jumps && fact.type === 'measured' && first !== second && b.x - a.x <= 1
    if (b.x - a.x > (searched ? finestNotice : jumps ? finestSwitch : finest) && !(smooth && nearEdge)) {
      const share = smooth ? (first ? 1 - entry(q, p) : entry(p, q)) : 0.5
      const middle = at(smooth ? inCell(a.x, b.x, share) : (a.x + b.x) / 2)
      const r = predictor.miss(middle, fact)
      look(a, middle, p, r, from, to, smooth)
      look(middle, b, r, q, from, to, smooth)
      return
    }
    // No solved board shows just this.
    if (searched) return
    if (jumps || fact.type === 'seen') {
      // The jump is not located more finely: where one end fits, keep the whole cell.
      if (first || second) keep(Math.max(a.x, from), Math.min(b.x, to))
      return
    }
    const [low, high] = [a.x + (b.x - a.x) * entry(p, q), b.x - (b.x - a.x) * entry(q, p)]
    if (high >= low) keep(Math.max(outward(low, -1), a.x, from), Math.min(outward(high, 1), b.x, to))
  }
  for (const [from, to] of ranges) {
    if (from === to) {
      if (fits(predictor.miss(at(from), fact))) keep(from, to)
      continue
    }
    const points = fact.type === 'seen' ? sweep.coarse([[from, to]]) : sweep.refined([[from, to]])
    const snapshot = points.filter(
      (_, i) => (points[i + 1]?.x ?? Infinity) > from && (points[i - 1]?.x ?? -Infinity) < to,
    )
    looked.push(...snapshot)
    const misses = snapshot.map((s) => predictor.miss(s, fact))
    for (let i = 1; i < snapshot.length; i++)
      look(snapshot[i - 1]!, snapshot[i]!, misses[i - 1]!, misses[i]!, from, to)
  }
  return { ranges: kept.filter(([from, to]) => to >= from), points: looked }
}

/** Stretches so narrow are what the edges of two facts left of a cell: a board of theirs has to show both. */
const narrow = 1 / 16

/** Without narrow stretches of which no solved board shows all that was seen. */
export function shownTogether(
  predictor: Predictor,
  hypothesis: Hypothesis,
  ranges: readonly Range[],
  facts: readonly Fact[],
): readonly Range[] {
  const seen = facts.filter((fact) => fact.type === 'seen')
  if (seen.length < 2) return ranges
  const shows = (x: number): boolean =>
    seen.every((fact) =>
      fits(predictor.miss(predictor.sweep(hypothesis, situationOf(predictor, fact)).at(x), fact)),
    )
  return ranges.filter(([from, to]) => {
    if (to - from > narrow) return true
    // A size that somebody may have planted is a place on the grid.
    const planted = Math.round((from + to) / 2)
    return [from, (from + to) / 2, to].some(shows) || (planted >= from && planted <= to && shows(planted))
  })
}

const outward = (x: number, way: -1 | 1): number =>
  (way < 0 ? Math.floor(x * lattice) : Math.ceil(x * lattice)) / lattice

/** A place inside a cell of at most one step, that many parts of the way along, where other facts ask for boards, too. */
function inCell(from: number, to: number, share: number): number {
  const x = Math.round((from + (to - from) * Math.min(0.8, Math.max(0.2, share))) * lattice) / lattice
  return x > from && x < to ? x : (from + to) / 2
}

/** Something between two boards might fit though neither does: each part’s notice, or the reading, passes what was found. */
function mayFitBetween(p: Miss, q: Miss): boolean {
  if (!p.sides || !q.sides) return opposite(p, q)
  return p.sides.every((side, i) => side * q.sides![i]! <= 0)
}

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
  hypothesis: Hypothesis,
  x: number,
  joint: readonly Measured[],
): ReadingResidual[] {
  return joint.flatMap((fact) => {
    const point = predictor.sweep(hypothesis, situationOf(predictor, fact)).at(x)
    const found = predictor.residual(point, fact)
    return found ? [found] : []
  })
}

/**
 * Solves what the next reading in a situation will be held against: the boards along what is left of every hypothesis, its
 * ends, and what these make of the readings before.
 */
export function solveAlong(
  predictor: Predictor,
  left: readonly { readonly hypothesis: Hypothesis; readonly ranges: readonly Range[] }[],
  facts: readonly Fact[],
  situation: Situation,
): void {
  const joint = facts.filter(isJoint)
  for (const { hypothesis, ranges } of left) {
    const sweep = predictor.sweep(hypothesis, situation)
    sweep.held(ranges)
    if (joint.length === 0) continue
    for (const x of new Set(ranges.flat())) {
      sweep.at(x).hold()
      residualsAt(predictor, hypothesis, x, joint)
    }
  }
}

/** What is left of the ranges when all readings of volts have to fit one board. */
export function together(
  predictor: Predictor,
  hypothesis: Hypothesis,
  ranges: readonly Range[],
  joint: readonly Measured[],
): { ranges: readonly Range[]; best: number } {
  const at = (x: number) => {
    const residuals = residualsAt(predictor, hypothesis, x, joint)
    const spread = spreadOf(residuals)
    const off = Float64Array.from(residuals, (r) => r.off)
    return { x, off, spread, far: lengthIn(spread, off.slice()) }
  }
  const limit = farthest(joint.length)
  const kept: Range[] = []
  let best: { x: number; far: number } | undefined
  for (const [from, to] of ranges) {
    const ends = from === to ? [at(from)] : [at(from), at(to)]
    // Refine round the minimum until a solved board matches interpolation (at most 6 rounds).
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
    // Find the edge on solved boards: between two of them a relay may let go, or the reading may bend.
    const within = ({ far }: End) => far <= limit
    for (let i = 1; i < ends.length; i++)
      for (let nearEdge = false; !nearEdge;) {
        const [a, b] = [ends[i - 1]!, ends[i]!]
        const [out, near] = within(a) ? [b, a] : [a, b]
        nearEdge = b.x - a.x <= 1
        const x = nearEdge
          ? inCell(a.x, b.x, (edge(out, near, { share: 1 }, limit) - a.x) / (b.x - a.x))
          : Math.round(((a.x + b.x) / 2) * lattice) / lattice
        if (within(a) === within(b) || b.x - a.x <= finest || x <= a.x || x >= b.x) break
        ends.splice(i, 0, at(x))
        if (within(ends[i]!) === within(a)) i++
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
  /** What each reading lies above what the board shows, and how they spread together. */
  readonly off: Float64Array
  readonly spread: Float64Array
  readonly far: number
}

/** How far the readings lie from a board part of the way between two, what lies between taken as straight. */
function farBetween(a: End, b: End, share: number): number {
  const off = a.off.map((volts, i) => volts + share * (b.off[i]! - volts))
  return lengthIn(share < 0.5 ? a.spread : b.spread, off)
}

/** Where between two boards the readings come nearest. */
function nearestBetween(a: End, b: End): { share: number; far: number } {
  if (a.off.length !== b.off.length)
    return a.far <= b.far ? { share: 0, far: a.far } : { share: 1, far: b.far }
  const far = (share: number) => farBetween(a, b, share)
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
  if (a.off.length !== b.off.length) return a.x + (b.x - a.x) * share
  let [out, within] = [0, share]
  for (let i = 0; i < 8; i++) {
    const middle = (out + within) / 2
    if (farBetween(a, b, middle) > limit) out = middle
    else within = middle
  }
  return a.x + (b.x - a.x) * within
}

/** Of what is left, the x whose board, of those looked at, comes nearest to the middle of a reading's band. */
export function bestOf(
  predictor: Predictor,
  points: readonly SweepPoint[],
  ranges: readonly Range[],
  fact: Fact,
): number {
  const [from, to] = ranges[0]!
  if (from === to) return from
  let best = from
  let least = Infinity
  for (const point of points) {
    if (!ranges.some(([a, b]) => point.x >= a && point.x <= b)) continue
    const { below, above } = predictor.miss(point, fact)
    const worst = Math.max(below, above)
    if (worst < least) [least, best] = [worst, point.x]
  }
  return least <= 0 ? best : (from + to) / 2
}
