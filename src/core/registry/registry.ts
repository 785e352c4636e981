/** A key that a registry does not have, with those that it has. */
export class UnknownKey extends Error {
  constructor(
    readonly registry: string,
    readonly key: string,
    readonly known: readonly string[],
  ) {
    super(`there is no ${registry} “${key}”; known are ${known.join(', ')}`)
    this.name = 'UnknownKey'
  }
}

/** Definitions of one sort, in the order in which they are listed, each under a key of its own. */
export class Registry<T> {
  private readonly byKey: ReadonlyMap<string, T>

  /**
   * @param name of one of them, for messages: `fault`
   * @throws Error where two have one key
   */
  constructor(
    readonly name: string,
    readonly list: readonly T[],
    keyOf: (definition: T) => string,
    /** Definitions that are not listed but made from their key, such as modules by their pins. */
    private readonly made: (key: string) => T | undefined = () => undefined,
  ) {
    const byKey = new Map<string, T>()
    for (const definition of list) {
      const key = keyOf(definition)
      if (byKey.has(key)) throw new Error(`two definitions of ${name} “${key}”`)
      byKey.set(key, definition)
    }
    this.byKey = byKey
  }

  get keys(): readonly string[] {
    return [...this.byKey.keys()]
  }

  find(key: string): T | undefined {
    return this.byKey.get(key) ?? this.made(key)
  }

  /** @throws UnknownKey */
  get(key: string): T {
    const found = this.find(key)
    if (found === undefined) throw new UnknownKey(this.name, key, this.keys)
    return found
  }
}
