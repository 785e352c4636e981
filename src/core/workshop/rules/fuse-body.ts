import { partOfKind } from '../../parts'
import { formatPlain } from '../../quantity'
import { say } from '../../document'
import type { Rule } from './rule'

/** A rating that no fuse of this body is made for. */
export const fuseBody: Rule = {
  id: 'fuse-body',
  check: ({ circuit }) =>
    circuit.parts.flatMap((part) => {
      const { protects } = partOfKind(part.kind)
      const range = protects?.range?.(part.parameters)
      if (!protects || !range) return []
      const rating = protects.rating(part.parameters, new Map())
      if (rating >= range[0] && rating <= range[1]) return []
      return [
        {
          part: part.id,
          weight: 'wrong' as const,
          text: say('workshop.noSuchFuse', {
            id: part.id,
            rating: { shown: formatPlain(rating) },
            least: { shown: formatPlain(range[0]) },
            most: { shown: formatPlain(range[1]) },
          }),
        },
      ]
    }),
}
