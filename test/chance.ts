import { createHash } from 'node:crypto'

/** Park and Miller's generator (Communications of the ACM 31, 1988). */
export class Chance {
  private state: number
  constructor(seed: number) {
    this.state = 20261129 + seed
  }
  readonly next = (): number => (this.state = (this.state * 48271) % 2147483647) / 2147483647
  readonly below = (most: number): number => Math.floor(this.next() * most)
  readonly pick = <T>(list: readonly T[]): T => list[this.below(list.length)]!
  readonly uuid = (): string => {
    const hex = createHash('md5').update(String(this.next())).update(String(this.next())).digest('hex')
    return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-a${hex.slice(17, 20)}-${hex.slice(20)}`
  }
}
