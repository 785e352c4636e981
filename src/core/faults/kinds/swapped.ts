import type { Element } from '../../solve'
import { defineFault } from '../definition'

export const swapped = defineFault({
  kind: 'swapped',
  prior: { weight: 0.03, why: 'only after somebody has repinned a plug, and unlike plugs do not swap' },
  title: 'faults.swapped.title',
  family: 'wiring',
  drawsMore: true,
  repairedBy: ['repin'],
  involves: 'pin',
  built: 'faults.swapped.built',
  caution: 'faults.swapped.caution',
  describe: () => 'faults.swapped.describe',
  strike: ({ elements, other, between }) => {
    if (!other) return [...elements]
    const [, end] = between
    const [, otherEnd] = other.between
    const turn = (list: readonly Element[], from: number, to: number) =>
      list.map((e) => ({ ...e, a: e.a === from ? to : e.a, b: e.b === from ? to : e.b }))
    return { own: turn(elements, end, otherEnd), other: turn(other.elements, otherEnd, end) }
  },
})
