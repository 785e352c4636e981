/**
 * How much is written beside the parts. It comes and goes with the zoom, instead of shrinking: names and values where there
 * is room, names, or short names alone.
 */
export type Detail = 'all' | 'names' | 'ids'

/** No letter on the screen is smaller, px. */
export const leastText = 11

/** From which scale on each is shown, the fullest first; below the last one nothing is written. */
const from = { all: 0.74, names: 0.54, ids: 0.44 } as const
/** Smallest scale at which a drawing opens: below it only a part of it is shown. */
export const leastScale = from.ids
/** What is too large to be shown whole opens in part, with all that is written. */
export const partScale = 0.8

export const detailAt = (scale: number): Detail =>
  scale >= from.all ? 'all' : scale >= from.names ? 'names' : 'ids'

/** Size of a letter in the drawing’s units, at the smallest scale of its detail. */
export const letterSize = (detail: Detail): number => (detail === 'all' ? 13 : leastText / from[detail])

/** From one line to the next, in sizes of a letter. */
export const lineSpacing = 1.154
export const lineHeight = (detail: Detail): number => letterSize(detail) * lineSpacing
