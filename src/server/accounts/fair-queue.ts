interface Lane {
  readonly group: string
  readonly waiting: (() => void)[]
}

export interface FairLimits {
  /** Pieces of work that run at the same time. */
  readonly atOnce: number
  /** Pieces that may wait in all, and those of one group. */
  readonly mostWaiting: number
  readonly mostOfGroup: number
}

/** Runs few pieces of work at a time and takes them in turn from each lane: a long lane does not hold the others up. */
export class FairQueue {
  private readonly lanes = new Map<string, Lane>()
  private readonly perGroup = new Map<string, number>()
  private waiting = 0
  private running = 0

  constructor(private readonly limits: FairLimits) {}

  /** Undefined where too much waits already: nothing is run then. */
  run<T>(group: string, lane: string, work: () => Promise<T>): Promise<T> | undefined {
    const { atOnce, mostWaiting, mostOfGroup } = this.limits
    if (this.running < atOnce) {
      this.running++
      return this.finish(work)
    }
    const ofGroup = this.perGroup.get(group) ?? 0
    if (this.waiting >= mostWaiting || ofGroup >= mostOfGroup) return undefined
    this.waiting++
    this.perGroup.set(group, ofGroup + 1)
    return new Promise<void>((turn) => {
      const own = this.lanes.get(lane) ?? { group, waiting: [] }
      own.waiting.push(turn)
      this.lanes.set(lane, own)
    }).then(() => this.finish(work))
  }

  /** Its place has been counted already. */
  private async finish<T>(work: () => Promise<T>): Promise<T> {
    try {
      return await work()
    } finally {
      this.running--
      this.next()
    }
  }

  private next(): void {
    const [first] = this.lanes
    if (!first || this.running >= this.limits.atOnce) return
    const [name, lane] = first
    const turn = lane.waiting.shift()!
    // To the end of the round, if it has more.
    this.lanes.delete(name)
    if (lane.waiting.length) this.lanes.set(name, lane)
    this.waiting--
    const left = (this.perGroup.get(lane.group) ?? 1) - 1
    if (left > 0) this.perGroup.set(lane.group, left)
    else this.perGroup.delete(lane.group)
    this.running++
    turn()
  }
}
