import { looseLoads } from '../../circuit'
import { partOfKind } from '../../parts'
import { formatPlain, formatQuantity } from '../../quantity'
import type { Rule } from './rule'

/** A fuse that carries more than its rating in this state, or has melted. */
export const loadOverFuse: Rule = {
  id: 'load-over-fuse',
  title: 'Load over its fuse',
  check: ({ circuit, key }) =>
    circuit.parts.flatMap((part) => {
      const definition = partOfKind(part.kind)
      if (definition.role !== 'protection' || !key) return []
      if (key.blown.includes(part.id))
        return [{ part: part.id, weight: 'wrong' as const, text: `${part.id} blows in one of the states` }]
      const rating = definition.melts?.rating(part.parameters, new Map()) ?? Number(part.parameters.rating)
      const amps = Math.abs(key.drops.find((d) => d.part === part.id)?.amps ?? 0)
      if (amps <= rating) return []
      return [
        {
          part: part.id,
          weight: 'wrong' as const,
          text: `${part.id} carries ${formatQuantity(amps, 'A')}, more than its ${formatPlain(rating)} A`,
        },
      ]
    }),
}

/** A load without feed or return does nothing. */
export const looseLoad: Rule = {
  id: 'loose-load',
  title: 'No feed or no return',
  check: ({ circuit }) =>
    looseLoads(circuit).map(({ where, what }) => ({
      part: /\((.*?)\)/.exec(where)?.[1] ?? '',
      weight: 'wrong' as const,
      text: what,
    })),
}

/** A way from plus to minus with nothing on it that takes current is a short. */
export const noLoad: Rule = {
  id: 'no-load',
  title: 'Path without a load',
  check: ({ circuit, walks }) =>
    walks.flatMap(({ path, strides }) => {
      const [from, to] = [strides[0]?.from.node, strides[strides.length - 1]?.to.node]
      const kinds = new Set(strides.map((s) => circuit.parts.find((p) => p.id === s.part)!.kind))
      const load = strides.some((s) =>
        partOfKind(circuit.parts.find((p) => p.id === s.part)!.kind).loads?.includes(s.segment.key),
      )
      const takes = ['resistor', 'module', 'sensor2', 'sensor3', 'diode', 'led'].some((k) => kinds.has(k))
      const across = strides[0]?.from.name.endsWith('+') && strides[strides.length - 1]?.to.name.endsWith('−')
      if (load || takes || from === to || !across || !path.steps.length) return []
      const last = path.steps[path.steps.length - 1]!.part
      return [
        {
          part: last,
          weight: 'hazard' as const,
          text: `${path.name || `The path with ${last}`} has no load yet: as it stands it shorts the battery`,
        },
      ]
    }),
}
