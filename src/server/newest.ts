/** The entries that were asked for last, at most so many: what is read again and again and never changes once it is there. */
export class Newest<V> {
  private readonly entries = new Map<string, V>()
  constructor(private readonly most: number) {}

  get(key: string): V | undefined {
    const found = this.entries.get(key)
    if (found !== undefined) this.set(key, found)
    return found
  }

  set(key: string, value: V): void {
    this.entries.delete(key)
    this.entries.set(key, value)
    if (this.entries.size > this.most) this.entries.delete(this.entries.keys().next().value!)
  }
}
