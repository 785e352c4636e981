/** Draws by chance, always the same from the same seed: Park and Miller's generator (Communications of the ACM 31, 1988). */
export class Draw {
  private state: number

  /** @param seed whole number */
  constructor(seed: number) {
    this.state = (Math.abs(Math.trunc(seed)) % 2147483645) + 1
    // Seeds beside each other begin beside each other: let them run apart.
    for (let n = 0; n < 5; n++) this.next()
  }

  /** @returns at least 0, less than 1 */
  readonly next = (): number => (this.state = (this.state * 48271) % 2147483647) / 2147483647

  /** @returns a whole number from 0, less than `most` */
  readonly below = (most: number): number => Math.floor(this.next() * most)

  /** One of a list; undefined where it is empty. */
  readonly one = <T>(list: readonly T[]): T | undefined => list[this.below(list.length)]

  /** The list in another order. */
  readonly shuffled = <T>(list: readonly T[]): T[] => {
    const all = [...list]
    for (let i = all.length - 1; i > 0; i--) {
      const j = this.below(i + 1)
      ;[all[i], all[j]] = [all[j]!, all[i]!]
    }
    return all
  }
}
