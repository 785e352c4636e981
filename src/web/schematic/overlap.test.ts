import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { readCircuit, type Circuit } from '../../core/circuit'
import { partOfKind } from '../../core/parts'
import { demoCircuit, demoNames } from '../../../test/demo'
import { layOut, type Layout } from './layout'

interface Box {
  readonly name: string
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
}

/** Ink of every part on its own axis, and its label beside it, in drawing units. */
function boxesOf(circuit: Circuit, layout: Layout): { parts: Box[]; labels: Box[] } {
  const parts = layout.parts.map(({ key, kind, x, y, direction, length }): Box => {
    // A wire is a line; symbols reach to either side of their axis.
    const reach = kind === 'wire' ? 0.5 : 6
    if (direction === 'down')
      return { name: key, left: x - 10, right: x + 10, top: y + 1, bottom: y + length - 1 }
    const left = direction === 'left' ? x - length : x
    return { name: key, left: left + 1, right: left + length - 1, top: y - reach, bottom: y + reach }
  })
  const labels = layout.parts
    .filter(({ direction }) => direction === 'down')
    .map(({ id, key, label, kind, caption }): Box => {
      const part = circuit.parts.find((p) => p.id === id)!
      const longest = Math.max(id.length, (part.name || partOfKind(kind).title).length)
      // A wire has one short line; anything else its name, its values, and what a person notices of it.
      const { summary, notice } = partOfKind(kind)
      const lines = kind === 'wire' ? 1 : 2 + (caption || summary(part.parameters) ? 1 : 0) + (notice ? 1 : 0)
      return {
        name: `label of ${key}`,
        left: label.x - Math.min(longest, 22) * 6.2,
        right: label.x,
        top: label.y - 10 - (lines - 1) * 7.5,
        bottom: label.y + 3 + (lines - 1) * 7.5,
      }
    })
  return { parts, labels }
}

function collisions(boxes: readonly Box[]): string[] {
  return boxes.flatMap((a, i) =>
    boxes
      .slice(i + 1)
      .filter((b) => a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom)
      .map((b) => `${a.name} and ${b.name}`),
  )
}

function expectApart(circuit: Circuit) {
  const layout = layOut(circuit)
  const { parts, labels } = boxesOf(circuit, layout)
  expect(collisions(parts), circuit.name).toEqual([])
  expect(collisions(labels), circuit.name).toEqual([])
  const spots = layout.points.map((p) => `${Math.round(p.x)},${Math.round(p.y)}`)
  expect(new Set(spots).size).toBe(spots.length)
  for (const { x, y } of layout.points) {
    expect(x).toBeGreaterThanOrEqual(0)
    expect(x).toBeLessThanOrEqual(layout.width)
    expect(y).toBeGreaterThanOrEqual(0)
    expect(y).toBeLessThanOrEqual(layout.height)
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
]

/** A main path and branches that leave and come back where it pleases. */
const randomCircuit = fc
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
  })
  .map(({ main, branches }): Circuit | undefined => {
    const parts: { id: string; kind: string }[] = [{ id: 'B1', kind: 'battery' }]
    const counts = new Map<string, number>()
    const add = (kind: string) => {
      const { letters } = partOfKind(kind)
      const n = (counts.get(letters) ?? 0) + 1
      counts.set(letters, n)
      parts.push({ id: letters + n, kind })
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

  it('on fifty random circuits with up to seven branches', () => {
    let drawn = 0
    fc.assert(
      fc.property(randomCircuit, (circuit) => {
        if (!circuit) return
        drawn++
        expectApart(circuit)
      }),
      { numRuns: 120 },
    )
    expect(drawn).toBeGreaterThan(50)
  })
})
