/** A piece or a terminal of a part by name: the part's id and its own key, such as `W4.copper` or `B1.p`. */
export type Ref = `${string}.${string}`
/** A segment of a part, such as `K1.coil`. */
export type SegmentRef = Ref
/** A terminal of a part, such as `K1.t30`. */
export type TerminalRef = Ref

/** `part.key`, as terminals and segments are named. */
export const refOf = (part: string, key: string): Ref => `${part}.${key}`

/** Part and key of a name; no key where it is a part's alone. */
export function splitRef(ref: Ref): readonly [part: string, key: string]
export function splitRef(name: string): readonly [part: string, key: string | undefined]
export function splitRef(name: string): readonly [part: string, key: string | undefined] {
  const dot = name.indexOf('.')
  return dot < 0 ? [name, undefined] : [name.slice(0, dot), name.slice(dot + 1)]
}

/** Id of the part that a name is of. */
export const partIn = (name: string): string => splitRef(name)[0]
