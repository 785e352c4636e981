/** Of what a kept value depends, beside what is passed to make it. */
export interface CacheOptions<A extends readonly unknown[]> {
  /** The object whose life the value shares: when nobody holds it any more, the value goes too. */
  readonly owner: (...args: A) => object
  /** All else that the value depends on; none where the owner decides it alone. Compared as a `Map` does. */
  readonly key?: (...args: A) => unknown
  /** Values kept per owner, by different keys; one more lets all others go. */
  readonly most?: number
}

/**
 * A function that makes its value once for each owner and key. What it keeps follows from what it is given, so that a
 * cache changes no answer.
 * @example const wiringOf = cached({ owner: (circuit) => circuit.paths, key: names }, makeWiring)
 */
export function cached<A extends readonly unknown[], T>(
  { owner, key = () => undefined, most = 1 }: CacheOptions<A>,
  make: (...args: A) => T,
): (...args: A) => T {
  const kept = new WeakMap<object, Map<unknown, T>>()
  return (...args) => {
    const holder = owner(...args)
    const name = key(...args)
    let own = kept.get(holder)
    if (!own) kept.set(holder, (own = new Map<unknown, T>()))
    const known = own.get(name)
    if (known !== undefined || own.has(name)) return known as T
    if (own.size >= most) own.clear()
    const made = make(...args)
    own.set(name, made)
    return made
  }
}
