import { partIn } from '../../circuit'
import { findPart } from '../../model'
import { partOfKind } from '../../parts'
import { formatPlain } from '../../quantity'
import { ampacity, sections } from '../ampacity'
import { say } from '../../document'
import type { Rule, Workpiece } from './rule'

/** A maker's feed from the battery to the fuse box: heavy, short, and left unfused (common practice, no source). */
const mainFeed = { section: 6, length: 1.5 }

/** Rating of the weakest protection before each conductor on a feed, amps; Infinity where there is none. */
export function protection({
  circuit,
  walks,
}: Pick<Workpiece, 'circuit' | 'walks'>): ReadonlyMap<string, number> {
  const parts = new Map(circuit.parts.map((p) => [p.id, p]))
  const found = new Map<string, number>()
  for (const walk of walks) {
    const starter = parts.get(partIn(walk.path.from))!
    let rating = partOfKind(starter.kind).limitsAmps ?? Infinity
    for (const { part: id, side } of walk.strides) {
      const part = parts.get(id)!
      const definition = partOfKind(part.kind)
      if (definition.role === 'protection') {
        const { protects } = definition
        // A fusible link guards by section.
        const rated = protects?.guards
          ? ampacity(protects.guards(part.parameters))
          : protects?.rating(part.parameters, new Map())
        if (typeof rated === 'number') rating = Math.min(rating, rated)
      }
      // What electronics hand out they limit themselves.
      if (definition.limitsAmps !== undefined) rating = Math.min(rating, definition.limitsAmps)
      if (definition.role === 'conductor' && side !== 'return')
        found.set(id, Math.min(rating, found.get(id) ?? Infinity))
    }
  }
  return found
}

/** A fuse protects the wire behind it: the wire must stand what the fuse lets through. */
export const wireAndFuse: Rule = {
  id: 'wire-and-fuse',
  check: (built) =>
    [...protection(built)].flatMap(([id, rating]) => {
      const section = findPart(built.circuit, id)?.parameters.section
      if (typeof section !== 'number' || !Number.isFinite(rating)) return []
      const amps = ampacity(section)
      if (amps >= rating * 0.999) return []
      const enough = sections.find((s) => ampacity(s) >= rating * 0.999)
      return [
        {
          part: id,
          weight: 'hazard' as const,
          text: say(enough ? 'workshop.thinWire' : 'workshop.thinWireOnly', {
            id,
            section: { shown: formatPlain(section) },
            good: { shown: formatPlain(amps, 2) },
            rating: { shown: formatPlain(rating) },
            enough: { shown: formatPlain(enough ?? 0) },
          }),
        },
      ]
    }),
}

/** A feed that nothing protects can burn; a starter's own cable is left so by custom. */
export const noFuse: Rule = {
  id: 'no-fuse',
  check: (built) => {
    const parts = new Map(built.circuit.parts.map((p) => [p.id, p]))
    const toStarter = new Set(
      built.walks
        .filter((w) => w.strides.some((s) => partOfKind(parts.get(s.part)!.kind).fedUnfused))
        .flatMap((w) => w.strides.map((s) => s.part)),
    )
    return [...protection(built)].flatMap(([id, rating]) => {
      const { length, section } = parts.get(id)?.parameters ?? {}
      if (Number(section) >= mainFeed.section && Number(length) <= mainFeed.length) return []
      if (Number.isFinite(rating) || toStarter.has(id) || typeof length !== 'number' || length <= 0.5)
        return []
      const text = say('workshop.noFuse', { id, length: { shown: formatPlain(length) } })
      return [{ part: id, weight: 'hint' as const, text }]
    })
  },
}
