import { partOf } from '../../model'
import { looseLoads } from '../../editing'
import { partOfKind } from '../../parts'
import { formatPlain } from '../../quantity'
import { say } from '../../document'
import type { Rule } from './rule'

/** A fuse that carries more than its rating in this state, or has melted. */
export const loadOverFuse: Rule = {
  id: 'load-over-fuse',
  check: ({ circuit, key }) =>
    circuit.parts.flatMap((part) => {
      const definition = partOfKind(part.kind)
      if (definition.role !== 'protection' || !key) return []
      if (key.blown.includes(part.id))
        return [{ part: part.id, weight: 'wrong' as const, text: say('workshop.blows', { id: part.id }) }]
      const rating = definition.protects?.rating(part.parameters, new Map()) ?? Infinity
      const amps = Math.abs(key.drops.find((d) => d.part === part.id)?.amps ?? 0)
      if (amps <= rating) return []
      return [
        {
          part: part.id,
          weight: 'wrong' as const,
          text: say('workshop.overFuse', {
            id: part.id,
            amps: { value: amps, unit: 'A' },
            rating: { shown: formatPlain(rating) },
          }),
        },
      ]
    }),
}

/** A load without feed or return does nothing. */
export const looseLoad: Rule = {
  id: 'loose-load',
  check: ({ circuit }) =>
    looseLoads(circuit).map(({ where, ...text }) => ({
      part: /\((.*?)\)/.exec(where)?.[1] ?? '',
      weight: 'wrong' as const,
      text,
    })),
}

/** A way from plus to minus with nothing on it that takes current is a short. */
export const noLoad: Rule = {
  id: 'no-load',
  check: ({ circuit, walks }) =>
    walks.flatMap(({ path, strides }) => {
      const [from, to] = [strides[0]?.from.node, strides[strides.length - 1]?.to.node]
      const passed = strides.map(({ part, segment }) => ({
        segment,
        definition: partOfKind(partOf(circuit, part).kind),
      }))
      const load = passed.some(({ definition, segment }) => definition.loads?.includes(segment.key))
      const takes = passed.some(({ definition }) => definition.takesCurrent)
      const across = strides[0]?.from.name.endsWith('+') && strides[strides.length - 1]?.to.name.endsWith('−')
      if (load || takes || from === to || !across || !path.steps.length) return []
      const last = path.steps[path.steps.length - 1]!.part
      return [
        {
          part: last,
          weight: 'hazard' as const,
          text: say('workshop.noLoad', { path: path.name || say('workshop.pathWith', { id: last }) }),
        },
      ]
    }),
}
