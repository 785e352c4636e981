/** One column of a table: what stands in it, how it is ordered, how wide it is. */
export interface Column<R> {
  readonly key: string
  readonly title: string
  /** What stands in its cells, where no slot `cell-KEY` fills them. */
  readonly text?: (row: R) => string
  /** Numbers stand to the right, in the face of readings. */
  readonly number?: boolean
  readonly quiet?: boolean
  /** Names its row: it stays in view where the table scrolls sideways. */
  readonly head?: boolean
  /** In pixels; without one it shares what is left. */
  readonly width?: number
  readonly minWidth?: number
  /** By which its rows can be ordered. */
  readonly sort?: (a: R, b: R) => number
  /** Its title is only read out. */
  readonly untitled?: boolean
  /** Over how many columns a cell reaches. */
  readonly spans?: (row: R) => number
  /** More of its cells, such as a colour. */
  readonly cell?: (row: R) => Record<string, unknown>
}

/** Orders by what stands there, as people write it: “W2” before “W10”. */
export const byText =
  <R>(text: (row: R) => string) =>
  (a: R, b: R): number =>
    text(a).localeCompare(text(b), undefined, { numeric: true })
/** Orders by a number; what has none comes last. */
export const byNumber =
  <R>(value: (row: R) => number | null | undefined) =>
  (a: R, b: R): number =>
    (value(a) ?? Number.NEGATIVE_INFINITY) - (value(b) ?? Number.NEGATIVE_INFINITY)
