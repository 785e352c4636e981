import { tell } from '../../core/words'
import { describe, expect, it } from 'vitest'
import { applyEdit, emptyCircuit, insertItems } from '../../core/editing'
import { type Circuit } from '../../core/circuit'
import { demoCircuit, demoNames } from '../../../test/demo'
import { layOut } from './layout'
import { drawingSvg } from './svg'

describe('the schematic lays itself out', () => {
  it('draws every part once and every point once', () => {
    const circuit = demoCircuit()
    const layout = layOut(circuit)
    expect(layout.parts.map((p) => p.id).sort()).toEqual(circuit.parts.map((p) => p.id).sort())
    expect(new Set(layout.points.map((p) => p.point.name)).size).toBe(layout.points.length)
  })

  it('puts supply above ground and keeps current flowing down', () => {
    const at = new Map(layOut(demoCircuit()).points.map((p) => [p.point.name, p]))
    const way = ['F1a', 'F1b', 'S1b', 'X1a', 'L1a', 'L1b', 'X2b', 'G1e', 'G1c'].map((name) => at.get(name)!.y)
    expect(way).toEqual([...way].sort((a, b) => a - b))
    expect(at.get('B1+')!.y).toBeLessThan(at.get('B1−')!.y)
  })

  it('lets no two point names touch', () => {
    const labels = layOut(demoCircuit()).points.map(({ label, point }) => {
      const width = (point.name.length + 9) * 7.3
      const left =
        label.anchor === 'start' ? label.x : label.anchor === 'end' ? label.x - width : label.x - width / 2
      // Labels on the rails carry the name only.
      const w = label.anchor === 'middle' ? point.name.length * 7.3 : width
      return {
        name: point.name,
        left: label.anchor === 'middle' ? label.x - w / 2 : left,
        right: (label.anchor === 'middle' ? label.x - w / 2 : left) + w,
        top: label.y - 10,
        bottom: label.y + 3,
      }
    })
    for (const [i, a] of labels.entries()) {
      for (const b of labels.slice(i + 1)) {
        const apart = a.right <= b.left || b.right <= a.left || a.bottom <= b.top || b.bottom <= a.top
        expect(apart, `${a.name} and ${b.name}`).toBe(true)
      }
    }
  })

  it('gives a second path a column of its own', () => {
    const circuit = demoCircuit()
    const two: Circuit = {
      ...circuit,
      parts: [
        ...circuit.parts,
        { id: 'E1', kind: 'heater', name: 'lens heater', parameters: { ratedVoltage: 12, ratedPower: 20 } },
      ],
      paths: [
        ...circuit.paths,
        { id: 'lens', name: 'lens heater', from: 'L1.a', to: 'L1.b', steps: [{ part: 'E1' }] },
      ],
    }
    const layout = layOut(two)
    const heater = layout.parts.find((p) => p.id === 'E1')!
    expect(layout.parts.every((p) => p.id === 'E1' || Math.abs(p.x - heater.x) > 100)).toBe(true)
  })
})

describe('a branch', () => {
  const layout = layOut(demoCircuit('gritter-spinner-lights'))
  const at = (name: string) => layout.points.find((p) => p.point.name === name)!

  it('leaves and rejoins the column straight across, at the very points that it is tied to', () => {
    for (const name of ['S1a', 'G1e']) {
      const { x, y, point } = at(name)
      const link = layout.links.find((l) => l.node === point.node && /H/.test(l.d))!
      const ends = link.d.match(/-?\d+(\.\d+)?/g)!.map(Number)
      const first = ends.slice(0, 2)
      const last = [ends[ends.length - 1]!, ends[ends.length - 2]!]
      expect([first, last]).toContainEqual([x, y])
    }
  })

  it('has room between where it leaves and where it comes back', () => {
    const column = ['X2a', 'X2b', 'L2f', 'L2g', 'L2b'].map((name) => at(name).y)
    expect(Math.min(...column)).toBeGreaterThan(at('S1a').y)
    expect(Math.max(...column)).toBeLessThanOrEqual(at('G1e').y)
  })
})

describe('what building leaves on the way', () => {
  const bench = emptyCircuit('b')

  it('an empty path is drawn as two open ends, never as a line from plus to minus', () => {
    const layout = layOut(bench)
    const reach = layout.links.map(({ d }) =>
      Math.max(...[...d.matchAll(/H(\d+)/g)].map((m) => Number(m[1])), 0),
    )
    expect(Math.max(...reach)).toBe(0)
    expect(layout.parts.map((p) => p.id)).toEqual(['B1'])
  })

  it('a first path that ends elsewhere is tied by name and not led to the battery', () => {
    const built = insertItems(bench, 'main', 0, [{ new: { kind: 'fuse' } }, { new: { kind: 'lamp' } }])
    if (!built.ok) throw new Error(tell(built.problem))
    const loose = { ...built.circuit, paths: [{ ...built.circuit.paths[0]!, to: 'F1.b' as const }] }
    expect(layOut(loose).tags.map((t) => [t.name, t.at])).toEqual([
      ['B1n', 'foot'],
      ['F1b', 'foot'],
    ])
  })

  it('draws the battery though no path begins there', () => {
    const fan = demoCircuit('van-cooling-fan')
    const without = { ...fan, paths: fan.paths.filter((p) => !p.from.startsWith('B1')) }
    if (without.paths.length) expect(layOut(without).parts.map((p) => p.id)).toContain('B1')
  })

  it('moves nothing above the place of a change', () => {
    const lamp = demoCircuit()
    const before = layOut(lamp)
    const built = insertItems(lamp, lamp.paths[0]!.id, 6, [{ new: { kind: 'connector' } }])
    if (!built.ok) throw new Error(tell(built.problem))
    const after = layOut(built.circuit)
    for (const { part } of lamp.paths[0]!.steps.slice(1, 6)) {
      const at = (l: typeof before) => l.parts.find((p) => p.id === part)!
      expect([at(after).x, at(after).y]).toEqual([at(before).x, at(before).y])
    }
  })
})

describe('the picture that stands by itself', () => {
  it.each(demoNames)('of %s has every part and point, and no style of ours', (name) => {
    const circuit = demoCircuit(name)
    const svg = drawingSvg(circuit)
    for (const { id } of circuit.parts) expect(svg).toContain(id)
    expect(svg).not.toMatch(/var\(--|class=/)
    const opened = svg.match(/<[a-z]+/g)!.length
    expect(svg.match(/\/>|<\/[a-z]+>/g)).toHaveLength(opened)
  })
})

describe('a drawing that is built on', () => {
  const flat = demoNames.flatMap((name) => {
    const circuit = demoCircuit(name)
    return circuit.paths.map((path) => ({ name, circuit, path }))
  })
  const place = (layout: ReturnType<typeof layOut>, key: string) => {
    const [id, nth] = key.split('#')
    const found = layout.parts.filter((p) => p.id === id)[Number(nth)]!
    return [found.x, found.y]
  }
  const keysOf = (circuit: Circuit, path: Circuit['paths'][number], until: number) =>
    path.steps.slice(0, until).map(({ part }, i) => {
      const before = circuit.paths.slice(0, circuit.paths.indexOf(path)).flatMap((p) => p.steps)
      return `${part}#${[...before, ...path.steps.slice(0, i)].filter((s) => s.part === part).length}`
    })

  it.each(flat)(
    '$name: a wire put into $path.id moves nothing before its place in that path',
    ({ circuit, path }) => {
      const middle = Math.floor(path.steps.length / 2)
      const built = insertItems(circuit, path.id, middle, [{ new: { kind: 'connector' } }])
      if (!built.ok) throw new Error(tell(built.problem))
      const [before, after] = [layOut(circuit), layOut(built.circuit)]
      // A wire before the place may grow so that a branch beside it has room: what counts is where parts begin.
      for (const key of keysOf(circuit, path, Math.max(0, middle - 1)))
        expect(place(after, key)[0], key).toBe(place(before, key)[0])
    },
  )

  it.each(flat)('$name: values and names that change move nothing at all', ({ circuit }) => {
    const renamed = {
      ...circuit,
      parts: circuit.parts.map((p) => ({ ...p, name: `${p.name} of the other van` })),
    }
    expect(layOut(renamed)).toEqual(layOut(circuit))
  })

  it('is laid out once for one wiring: changing a value costs no layout', () => {
    const circuit = demoCircuit()
    const longer = applyEdit(circuit, { type: 'setParameter', part: 'W3', name: 'length', value: 9 })
    if (!longer.ok) throw new Error(tell(longer.problem))
    expect(layOut(longer.circuit)).toBe(layOut(circuit))
    const built = insertItems(circuit, circuit.paths[0]!.id, 2, [{ new: { kind: 'connector' } }])
    if (!built.ok) throw new Error(tell(built.problem))
    expect(layOut(built.circuit)).not.toBe(layOut(circuit))
  })
})
