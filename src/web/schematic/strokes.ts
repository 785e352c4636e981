import type { PlacedPart } from './layout'
import { symbolOf, type Stroke, type SymbolState } from './symbols'

/** All strokes of a part as it is placed: its symbol, and the leads to places before and behind it. */
export function strokesOf(
  { symbol, length, before, after }: PlacedPart,
  state: SymbolState,
): readonly Stroke[] {
  const drawn = symbolOf(symbol).draw(length - before - after, state)
  if (!before && !after) return drawn
  return [
    { d: `M0 0V${before}` },
    ...drawn.map((stroke) => ({ ...stroke, dy: before })),
    { d: `M0 ${length - after}V${length}` },
  ]
}
