/** One entry of a list to choose from. */
export interface Entry<V> {
  readonly value: V
  readonly label: string
  readonly disabled?: boolean
  /** Of an entry in a language of its own. */
  readonly lang?: string
}

/** Entries under one heading. */
export interface Group<V> {
  readonly group: string
  readonly entries: readonly Entry<V>[]
}

export type Entries<V> = readonly (Entry<V> | Group<V>)[]

/** What things are chosen by, and what they are called. */
export const entriesOf = <T, V>(
  things: readonly T[],
  value: (thing: T, index: number) => V,
  label: (thing: T, index: number) => string,
): Entry<V>[] => things.map((thing, i) => ({ value: value(thing, i), label: label(thing, i) }))

/** Entries that are called as what they stand for. */
export const plainEntries = <V extends string | number>(values: readonly V[]): Entry<V>[] =>
  values.map((value) => ({ value, label: String(value) }))
