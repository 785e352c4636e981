import type { SolvedBoard } from '../board'
import type { Interval } from '../instruments'
import type { Family } from './families'
import type { Residual } from './joint'

/** One exact board of a family, and what has been asked of it. */
export class Sample {
  /** What has switched and melted, as one word; `none` where the board finds no answer. */
  readonly switching: string
  /** Where readings would lie, by what is held where. */
  readonly intervals = new Map<string, Interval | undefined>()
  /** What it makes of readings of volts, by reading. */
  readonly residuals = new Map<string, Residual | undefined>()
  /** Places of the notices on their parts' scales, in the order of the parts. */
  readonly notices: Int8Array
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
    if (this.dropped) {
      this.board = this.solve()
      this.dropped = false
    }
    return this.board
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
  let word = solved.cycle ? 'swings' : ''
  for (const mode of solved.board.modes.values()) word += `${mode},`
  for (const id of solved.blown) word += `${id};`
  return word
}

/** Volts by which two boards may differ at every node and still be called the same. */
const same = 0.001

/** The boards of one family in one situation, along its severity; more are solved where somebody looks closer. */
export class Line {
  readonly samples: Sample[] = []

  constructor(
    readonly family: Family,
    private readonly solve: (x: number) => Sample,
  ) {}

  /** Boards along the whole range, near enough to each other that nothing is missed between them. */
  laid(): readonly Sample[] {
    const { samples } = this
    if (this.isLaid) return samples
    this.isLaid = true
    const ends = [...this.sketched()]
    for (let i = 1; i < ends.length; i++) this.between(ends[i - 1]!, ends[i]!)
    return samples
  }
  private isLaid = false

  /** A few boards along the range: enough for what a person sees, which changes in few steps. */
  sketched(): readonly Sample[] {
    if (this.isSketched) return this.samples
    this.isSketched = true
    const { grid, mark } = this.family
    const last = Math.max(0, grid.length - 1)
    const quarters = last > 8 ? [0.25, 0.5, 0.75] : [0.5]
    const xs = new Set([0, ...quarters.map((share) => Math.floor(last * share)), last])
    if (mark !== undefined && mark >= 0) xs.add(mark)
    for (const x of xs) this.at(x)
    return this.samples
  }
  private isSketched = false

  /** The board at x. */
  at(x: number): Sample {
    const { samples } = this
    let low = 0
    let high = samples.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (samples[middle]!.x < x) low = middle + 1
      else high = middle
    }
    const found = samples[low]
    if (found && found.x === x) return found
    const fresh = this.solve(x)
    samples.splice(low, 0, fresh)
    return fresh
  }

  /** Gives all boards back. */
  drop(): void {
    for (const sample of this.samples) sample.drop()
  }

  /** Solves in between until neighbours are alike or next to each other on the grid. */
  private between(a: Sample, b: Sample): void {
    const middle = Math.floor((a.x + b.x) / 2)
    if (middle <= a.x || alike(a, b)) return
    const found = this.at(middle)
    this.between(a, found)
    this.between(found, b)
  }
}

export function alike(a: Sample, b: Sample): boolean {
  if (!a.solved || !b.solved || a.switching !== b.switching) return !a.answers && !b.answers
  const [p, q] = [a.solved.point.voltage, b.solved.point.voltage]
  const count = Math.min(p.length, q.length)
  for (let i = 0; i < count; i++) if (Math.abs(p[i]! - q[i]!) > same) return false
  return true
}
