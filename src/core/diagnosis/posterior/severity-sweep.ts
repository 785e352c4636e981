import type { SolvedBoard } from '../../board'
import type { Interval } from '../../instruments'
import type { Hypothesis } from '../hypotheses/hypothesis'
import type { ReadingResidual } from '../evidence/joint'

/** One exact board of a hypothesis, and what has been asked of it. */
export class SweepPoint {
  /** What has switched and melted, as one word; `none` where the board finds no answer. */
  readonly switching: string
  /** Where readings would lie, by what is held where. */
  readonly intervals = new Map<string, Interval | undefined>()
  /** What it makes of readings of volts, by reading. */
  readonly residuals = new Map<string, ReadingResidual | undefined>()
  /** Places of the notices on their parts' scales, in the order of the parts. */
  readonly notices: Int8Array
  /** What each test of a list would tell, by the list; NaN where it would tell nothing. */
  readonly tells = new WeakMap<object, Float64Array>()
  /** Amps that its sources give, once somebody has asked. */
  drawn: number | undefined
  private board: SolvedBoard | undefined
  private dropped = false

  constructor(
    readonly x: number,
    private readonly solve: () => SolvedBoard | undefined,
    noticesOf: (board: SolvedBoard | undefined) => Int8Array,
  ) {
    this.board = solve()
    this.switching = this.board ? switchingOf(this.board) : 'none'
    this.notices = noticesOf(this.board)
  }

  get answers(): boolean {
    return this.switching !== 'none'
  }

  /** Undefined where the board finds no answer. */
  get solved(): SolvedBoard | undefined {
    this.hold()
    return this.board
  }

  /** Has the board in memory, solved again where it was given back. */
  hold(): void {
    if (!this.dropped) return
    this.board = this.solve()
    this.dropped = false
  }

  /** Whether it has its board in memory. */
  get isHeld(): boolean {
    return this.board !== undefined
  }

  /** Gives the board back; what it showed is kept, and it is solved again where somebody asks for more. */
  drop(): void {
    if (!this.board) return
    this.board = undefined
    this.dropped = true
  }
}

/** What has switched to what, as one word. */
function switchingOf(solved: SolvedBoard): string {
  let word = solved.limitCycle ? 'limitCycle' : ''
  for (const mode of solved.board.modes.values()) word += `${mode},`
  for (const id of solved.blown) word += `${id};`
  return word
}

/** A stretch of x, both ends included. */
type Stretch = readonly [number, number]

/** Volts by which two boards may differ at every node and still be called the same. */
const same = 0.001

/** The boards of one hypothesis in one situation, along its severity; more are solved where somebody looks closer. */
export class SeveritySweep {
  readonly points: SweepPoint[] = []

  constructor(
    readonly hypothesis: Hypothesis,
    private readonly solve: (x: number) => SweepPoint,
  ) {}

  /**
   * Boards along these stretches, near enough to each other that nothing is missed between them. They are the same
   * whatever else has been solved: what is concluded from them must not hang on who asked before.
   */
  refined(ranges: readonly Stretch[]): readonly SweepPoint[] {
    return this.along(ranges, this.refinedIn, (a, b) => this.between(a, b))
  }
  private readonly refinedIn = new Map<string, readonly SweepPoint[]>()

  /** A few boards along these stretches: enough for what a person sees, which changes in few steps. */
  coarse(ranges: readonly Stretch[]): readonly SweepPoint[] {
    return this.along(ranges, this.coarseIn, (a, b) => {
      const middle = Math.floor((a.x + b.x) / 2)
      return middle <= a.x || sameSeen(a, b) ? [] : [this.at(middle)]
    })
  }
  private readonly coarseIn = new Map<string, readonly SweepPoint[]>()

  private along(
    ranges: readonly Stretch[],
    known: Map<string, readonly SweepPoint[]>,
    between: (a: SweepPoint, b: SweepPoint) => readonly SweepPoint[],
  ): readonly SweepPoint[] {
    const found = ranges.flatMap(([from, to]) => {
      const xs = this.marks(from, to)
      const key = xs.join()
      let points = known.get(key)
      if (!points) {
        const marked = xs.map((x) => this.at(x))
        points = marked.flatMap((point, i) => (i ? [...between(marked[i - 1]!, point), point] : [point]))
        known.set(key, points)
      }
      return points
    })
    return ranges.length > 1 ? [...new Set(found)].sort((a, b) => a.x - b.x) : found
  }

  /** Places on the grid just outside a stretch, and the middle of the whole range if it lies in it. */
  private marks(from: number, to: number): number[] {
    const { grid, plantedAt } = this.hypothesis
    const last = Math.max(0, grid.length - 1)
    const [low, high] = [Math.max(0, Math.floor(from)), Math.min(last, Math.ceil(to))]
    const inside = [Math.floor(last / 2)]
    if (plantedAt !== undefined) inside.push(plantedAt)
    return [...new Set([low, ...inside.filter((x) => x > low && x < high), high])].sort((p, q) => p - q)
  }

  /** The board at x. */
  at(x: number): SweepPoint {
    const { points } = this
    let low = 0
    let high = points.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (points[middle]!.x < x) low = middle + 1
      else high = middle
    }
    const found = points[low]
    if (found && found.x === x) return found
    const fresh = this.solve(x)
    points.splice(low, 0, fresh)
    return fresh
  }

  /** The same as `refined`, and each board is in memory, whatever was given back before. */
  held(ranges: readonly Stretch[]): void {
    for (const point of this.refined(ranges))
      if (ranges.some(([from, to]) => point.x >= from && point.x <= to)) point.hold()
  }

  /** Gives all boards back. */
  drop(): void {
    for (const point of this.points) point.drop()
  }

  /** What is solved in between until neighbours are alike or next to each other on the grid. */
  private between(a: SweepPoint, b: SweepPoint): readonly SweepPoint[] {
    const middle = Math.floor((a.x + b.x) / 2)
    if (middle <= a.x || sameBoard(a, b)) return []
    const found = this.at(middle)
    return [...this.between(a, found), found, ...this.between(found, b)]
  }
}

/** Whether a person sees the same, and all has switched alike. */
export const sameSeen = (a: SweepPoint, b: SweepPoint): boolean =>
  a.switching === b.switching && a.notices.every((notice, i) => notice === b.notices[i])

export function sameBoard(a: SweepPoint, b: SweepPoint): boolean {
  if (!a.solved || !b.solved || a.switching !== b.switching) return !a.answers && !b.answers
  const [p, q] = [a.solved.point.voltage, b.solved.point.voltage]
  const count = Math.min(p.length, q.length)
  for (let i = 0; i < count; i++) if (Math.abs(p[i]! - q[i]!) > same) return false
  return true
}
