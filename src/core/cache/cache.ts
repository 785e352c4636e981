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
 * A function of up to three arguments that makes its value once for each owner and key. What it keeps follows from what it
 * is given, so that a cache changes no answer.
 * @example const wiringOf = cached({ owner: (circuit) => circuit.paths, key: names }, makeWiring)
 */
export function cached<A extends readonly [unknown, unknown?, unknown?], T>(
  { owner, key, most = 1 }: CacheOptions<A>,
  make: (...args: A) => T,
): (...args: A) => T {
  const kept = new WeakMap<object, Map<unknown, T>>()
  // Arguments are written out: a list of them would be made anew for each of very many calls.
  type Arguments = readonly [a: unknown, b?: unknown, c?: unknown]
  const [ownerOf, keyOf, makeOf] = [owner, key, make] as unknown as readonly [
    (...args: Arguments) => object,
    ((...args: Arguments) => unknown) | undefined,
    (...args: Arguments) => T,
  ]
  const get = (a: unknown, b?: unknown, c?: unknown): T => {
    const holder = ownerOf(a, b, c)
    const name = keyOf?.(a, b, c)
    let own = kept.get(holder)
    if (!own) kept.set(holder, (own = new Map<unknown, T>()))
    const known = own.get(name)
    if (known !== undefined || own.has(name)) return known as T
    if (own.size >= most) own.clear()
    const made = makeOf(a, b, c)
    own.set(name, made)
    return made
  }
  return get as unknown as (...args: A) => T
}
