import { splitRef } from '../../circuit'
import { partOf } from '../../model'
import { formatPlain } from '../../quantity'
import { partOfKind } from '../../parts'
import { say } from '../../document'
import type { Rule } from './rule'

/** A resistor that must shed more than it is made for. */
export const resistorWatts: Rule = {
  id: 'resistor-watts',
  check: ({ circuit, key }) =>
    circuit.parts.flatMap((part) => {
      const { ratedWatts } = partOfKind(part.kind)
      const rated = ratedWatts && part.parameters[ratedWatts]
      if (typeof rated !== 'number' || !key) return []
      const watts = key.drops
        .filter((d) => d.part === part.id)
        .reduce((sum, d) => sum + Math.abs((d.value ?? 0) * d.amps), 0)
      if (watts <= rated) return []
      return [
        {
          part: part.id,
          weight: 'hazard' as const,
          text: say('workshop.overWatts', {
            id: part.id,
            watts: { value: watts, unit: 'W' },
            rated: { shown: formatPlain(rated) },
          }),
        },
      ]
    }),
}

/** A jumper that leads round the protection has none of its own unless it brings it. */
export const unfusedJumper: Rule = {
  id: 'unfused-jumper',
  check: ({ circuit, wiring, walks, key }) =>
    (key?.state.bypassed ?? []).flatMap(([from, to]) => {
      const { nodeOf, points } = wiring
      const named = (node: number | undefined) => points.find((p) => p.node === node)?.name ?? ''
      const [a, b] = [from, to].map((end) => nodeOf(...splitRef(end)))
      const round = walks.flatMap((walk) => {
        const nodes = walk.points.map((p) => p.node)
        const [i, j] = [nodes.indexOf(a!), nodes.indexOf(b!)].sort((x, y) => x - y) as [number, number]
        if (i < 0) return []
        return walk.strides
          .slice(i, j)
          .map((s) => partOf(circuit, s.part))
          .filter((p) => partOfKind(p.kind).role === 'protection')
          .map((p) => p.id)
      })
      const [fuse] = round
      if (!fuse) return []
      return [
        {
          part: fuse,
          weight: 'hazard' as const,
          text: say('workshop.jumperRound', { from: named(a), to: named(b), fuse }),
        },
      ]
    }),
}
