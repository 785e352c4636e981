import { partOfKind } from '../../parts'
import { formatPlain } from '../../quantity'
import { ampacity, sections } from '../ampacity'
import type { Built, Rule } from './rule'

/** Rating of the weakest protection before each conductor on a feed, amps; Infinity where there is none. */
export function protection({
  circuit,
  walks,
}: Pick<Built, 'circuit' | 'walks'>): ReadonlyMap<string, number> {
  const parts = new Map(circuit.parts.map((p) => [p.id, p]))
  const found = new Map<string, number>()
  for (const walk of walks) {
    let rating = Infinity
    for (const { part: id, side } of walk.strides) {
      const part = parts.get(id)!
      const definition = partOfKind(part.kind)
      if (definition.role === 'protection') {
        const { section } = part.parameters
        // A fusible link is chosen by section: half of what it guards, or less (common practice).
        const rated =
          part.kind === 'fusibleLink' && typeof section === 'number'
            ? ampacity(2 * section)
            : (definition.melts?.rating(part.parameters, new Map()) ?? part.parameters.rating)
        if (typeof rated === 'number') rating = Math.min(rating, rated)
      }
      if (definition.role === 'conductor' && side !== 'return')
        found.set(id, Math.min(rating, found.get(id) ?? Infinity))
    }
  }
  return found
}

/** A fuse protects the wire behind it: the wire must stand what the fuse lets through. */
export const wireAndFuse: Rule = {
  id: 'wire-and-fuse',
  title: 'Conductor too small for its fuse',
  check: (built) =>
    [...protection(built)].flatMap(([id, rating]) => {
      const section = built.circuit.parts.find((p) => p.id === id)?.parameters.section
      if (typeof section !== 'number' || !Number.isFinite(rating)) return []
      const amps = ampacity(section)
      if (amps >= rating * 0.999) return []
      const enough = sections.find((s) => ampacity(s) >= rating * 0.999)
      return [
        {
          part: id,
          weight: 'hazard' as const,
          text: `${id} of ${formatPlain(section)} mm² is good for ${formatPlain(amps, 2)} A, its fuse lets ${formatPlain(rating)} A pass: ${enough ? `take ${formatPlain(enough)} mm² or ` : ''}a smaller fuse`,
        },
      ]
    }),
}

/** A feed that nothing protects can burn; a starter's own cable is left so by custom. */
export const noFuse: Rule = {
  id: 'no-fuse',
  title: 'Feed without a fuse',
  check: (built) => {
    const parts = new Map(built.circuit.parts.map((p) => [p.id, p]))
    const toStarter = new Set(
      built.walks
        .filter(
          (w) =>
            ['starter', 'alternator'].includes(parts.get(w.load ?? '')?.kind ?? '') ||
            ['starter', 'alternator'].some((k) => w.strides.some((s) => parts.get(s.part)?.kind === k)),
        )
        .flatMap((w) => w.strides.map((s) => s.part)),
    )
    return [...protection(built)].flatMap(([id, rating]) => {
      const length = parts.get(id)?.parameters.length
      if (Number.isFinite(rating) || toStarter.has(id) || typeof length !== 'number' || length <= 0.5)
        return []
      const text = `${id}, ${formatPlain(length)} m, has no fuse before it: put the fuse near the battery`
      return [{ part: id, weight: 'hint' as const, text }]
    })
  },
}
