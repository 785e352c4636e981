import { partOfKind } from '../parts'
import type { Circuit } from './schema'

type Drawn = Pick<Circuit, 'parts' | 'paths'>

const kept = new WeakMap<Circuit['paths'], { parts: Circuit['parts']; spare: ReadonlySet<string> }>()

/**
 * Pins that no path meets, of parts that come with more than is wired, as `part.segment`: nothing can fail there that
 * anybody would notice, and nobody strikes them out.
 */
export function spareSegments({ parts, paths }: Drawn): ReadonlySet<string> {
  const known = kept.get(paths)
  if (known?.parts === parts) return known.spare
  const met = new Set<string>()
  for (const { from, to, steps } of paths) {
    met.add(from).add(to)
    for (const { part, enter, leave } of steps) {
      const kind = parts.find((p) => p.id === part)?.kind
      const [first, last] = kind === undefined ? [] : partOfKind(kind).through
      met.add(`${part}.${enter ?? first}`).add(`${part}.${leave ?? last}`)
    }
  }
  const spare = new Set<string>()
  for (const { id, kind } of parts) {
    const { pinout, segments, terminals } = partOfKind(kind)
    if (pinout !== 'met') continue
    const inside = new Set(terminals.flatMap((t) => (t.inside ? [t.key] : [])))
    for (const { key, between } of segments) {
      const outer = between.filter((end) => !inside.has(end))
      if (outer.length && outer.every((end) => !met.has(`${id}.${end}`))) spare.add(`${id}.${key}`)
    }
  }
  kept.set(paths, { parts, spare })
  return spare
}
