import { cached } from '../cache'
import { refOf, type Circuit, type SegmentRef } from '../circuit'
import { partOfKind } from '../parts'

/**
 * Pins that no path meets, of parts that come with more than is wired: nothing can fail there that anybody would notice,
 * and nobody strikes them out.
 */
export const spareSegments = cached({ owner: (circuit: Circuit) => circuit }, findSpare)

function findSpare({ parts, paths }: Circuit): ReadonlySet<SegmentRef> {
  const kinds = new Map(parts.map(({ id, kind }) => [id, partOfKind(kind)]))
  const met = new Set<string>()
  for (const { from, to, steps } of paths) {
    met.add(from).add(to)
    for (const { part, enter, leave } of steps) {
      const [first = '', last = ''] = kinds.get(part)?.through ?? []
      met.add(refOf(part, enter ?? first)).add(refOf(part, leave ?? last))
    }
  }
  const spare = new Set<SegmentRef>()
  for (const { id, kind } of parts) {
    const { pinout, segments, terminals } = partOfKind(kind)
    if (pinout !== 'met') continue
    const inside = new Set(terminals.flatMap((t) => (t.inside ? [t.key] : [])))
    for (const { key, between } of segments) {
      const outer = between.filter((end) => !inside.has(end))
      if (outer.length && outer.every((end) => !met.has(refOf(id, end)))) spare.add(refOf(id, key))
    }
  }
  return spare
}
