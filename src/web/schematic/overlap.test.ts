import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readCircuit } from '../../core/editing'
import { type Circuit } from '../../core/circuit'
import { partOfKind } from '../../core/parts'
import { demoCircuit, demoNames } from '../../../test/demo'
import { axesOf, bodiesOf, crossings, inkOf, linesOf, textOf, touch, type Box } from '../../../test/drawing'
import { layOut } from './layout'
import { drawn as sample } from '../../../test/random'

function expectApart(circuit: Circuit) {
  const layout = layOut(circuit)
  const text = textOf(circuit, layout)
  const ink = inkOf(layout)
  const bodies = bodiesOf(layout)
  const pairs = (boxes: readonly Box[], others: readonly Box[] | undefined) =>
    boxes.flatMap((a, i) =>
      (others ?? boxes.slice(i + 1)).filter((b) => touch(a, b)).map((b) => `${a.name} on ${b.name}`),
    )
  expect(pairs(bodies, undefined), circuit.name).toEqual([])
  expect(pairs(text, undefined), circuit.name).toEqual([])
  expect(pairs(text, ink), circuit.name).toEqual([])
  // Lines that are no part of one another never cross: what would have to is tied by name.
  const lines = linesOf(layout)
  expect(crossings(lines, [...lines, ...axesOf(layout)]), circuit.name).toEqual([])
  const spots = layout.points.map((p) => `${Math.round(p.x)},${Math.round(p.y)}`)
  expect(new Set(spots).size).toBe(spots.length)
  for (const { name, left, right, top, bottom } of [...text, ...ink]) {
    expect(left, name).toBeGreaterThanOrEqual(0)
    expect(right, name).toBeLessThanOrEqual(layout.width)
    expect(top, name).toBeGreaterThanOrEqual(0)
    expect(bottom, name).toBeLessThanOrEqual(layout.height)
  }
}

const kinds = [
  'fuse',
  'switch',
  'wire',
  'connector',
  'lamp',
  'motor',
  'heater',
  'stud',
  'splice',
  'horn',
  'led',
  'relay',
  'twoFilamentLamp',
  'multiConnector',
  'starter',
]

/** A main path and branches that leave and come back where it pleases. */
const randomDrawn = fc
  .record({
    main: fc.array(fc.constantFrom(...kinds), { minLength: 2, maxLength: 9 }),
    branches: fc.array(
      fc.record({
        kinds: fc.array(fc.constantFrom(...kinds), { minLength: 1, maxLength: 7 }),
        from: fc.nat(40),
        to: fc.nat(40),
      }),
      { maxLength: 7 },
    ),
    /** Names as long as a document may hold. */
    names: fc.array(fc.string({ unit: fc.constantFrom('a', 'k', 'o', 'w', ' '), maxLength: 60 }), {
      minLength: 1,
      maxLength: 5,
    }),
  })
  .map(({ main, branches, names }): Circuit | undefined => {
    const parts: { id: string; kind: string; name?: string }[] = [{ id: 'B1', kind: 'battery' }]
    const counts = new Map<string, number>()
    const add = (kind: string) => {
      const { letters } = partOfKind(kind)
      const n = (counts.get(letters) ?? 0) + 1
      counts.set(letters, n)
      parts.push({ id: letters + n, kind, name: names[parts.length % names.length]! })
      return { part: letters + n }
    }
    const steps = main.map(add)
    const ends = steps.flatMap(({ part }) => {
      const { through } = partOfKind(parts.find((p) => p.id === part)!.kind)
      return [`${part}.${through[0]}`, `${part}.${through[1]}`]
    })
    const paths = [
      { id: 'main', from: 'B1.p', to: 'B1.n', steps },
      ...branches.map((b, i) => ({
        id: `b${i}`,
        from: ends[b.from % ends.length]!,
        to: b.to % 3 ? 'B1.n' : ends[b.to % ends.length]!,
        steps: b.kinds.map(add),
      })),
    ]
    const read = readCircuit({
      format: 'brachyon-circuit',
      version: 2,
      name: 'random',
      parts,
      paths,
      states: [{ id: 's', name: 's' }],
    })
    return read.ok ? read.value : undefined
  })

describe('no two parts or labels overlap', () => {
  it.each(demoNames)('on %s', (name) => expectApart(demoCircuit(name)))

  it('on fifty random circuits with up to seven branches', { tags: ['sweep'] }, () => {
    let drawn = 0
    fc.assert(
      fc.property(randomDrawn, (circuit) => {
        if (!circuit) return
        drawn++
        expectApart(circuit)
      }),
      sample(120, 23),
    )
    expect(drawn).toBeGreaterThan(50)
  })
})
