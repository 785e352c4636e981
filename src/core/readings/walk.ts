import type { Circuit, CircuitPath, Point, Wiring } from '../circuit'
import { partOfKind, type Segment } from '../parts'

/** One piece of the way from supply to return, between two neighbouring points. */
export interface Stride {
  readonly part: string
  readonly segment: Segment
  readonly from: Point
  readonly to: Point
  readonly side: 'source' | 'feed' | 'load' | 'return'
}

export interface Walk {
  readonly path: CircuitPath
  /** Battery + first, battery − last; one more than strides. */
  readonly points: readonly Point[]
  readonly strides: readonly Stride[]
  /** The load that the path runs through, if it has one. */
  readonly load: string | undefined
}

/** The path as a row of points and the pieces between them, told apart as feed side, load and return side. */
export function walkPath(circuit: Circuit, wiring: Wiring, path: CircuitPath): Walk {
  const kinds = new Map(circuit.parts.map((part) => [part.id, partOfKind(part.kind)]))
  const at = new Map(wiring.points.map((point) => [point.node, point]))
  const pointOf = (part: string, key: string) => at.get(wiring.nodeOf(part, key))!
  const strides: Stride[] = []
  let side: Stride['side'] = 'feed'
  const pass = (part: string, enter: string, leave: string) => {
    const definition = kinds.get(part)!
    const keys = definition.terminals.map((t) => t.key)
    const [i, j] = [keys.indexOf(enter), keys.indexOf(leave)]
    const way = i <= j ? keys.slice(i, j + 1) : keys.slice(j, i + 1).reverse()
    for (let k = 1; k < way.length; k++) {
      const [here, there] = [way[k - 1]!, way[k]!]
      const segment = definition.segments.find((s) => s.between.includes(here) && s.between.includes(there))
      if (!segment) continue
      const inLoad = definition.load?.includes(here) && definition.load.includes(there)
      if (inLoad) side = 'return'
      strides.push({
        part,
        segment,
        from: pointOf(part, here),
        to: pointOf(part, there),
        side: inLoad ? 'load' : side,
      })
    }
  }
  const [first, firstKey] = path.from.split('.') as [string, string]
  const [last, lastKey] = path.to.split('.') as [string, string]
  // The clamps belong to the way: a post is where the trade takes its source voltage.
  if (kinds.get(first)?.role === 'source' && firstKey === 'p') pass(first, 'pos', 'p')
  for (const step of path.steps) {
    const definition = kinds.get(step.part)!
    pass(step.part, step.enter ?? definition.through[0], step.leave ?? definition.through[1])
  }
  if (kinds.get(last)?.role === 'source' && lastKey === 'n') pass(last, 'n', 'neg')
  const points = strides.length ? [strides[0]!.from, ...strides.map((s) => s.to)] : []
  return { path, points, strides, load: strides.find((s) => s.side === 'load')?.part }
}
