import { tell } from '../words'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type Solver, type Element, type Network } from '.'
import { GeneralSolver } from './general-solver'
import { MeshSolver } from './mesh-solver'
import { structureOf } from './structure'
import { valuesOf } from './values'
import { filamentLaw } from '../parts/lamp'
import { fuseLaw } from '../parts/fuse'
import { junctionLaw } from '../parts/junction'
import { drawn } from '../../../test/random'

const owner = { part: 'T', segment: 't' }

/** Random meshes over a chain that ties every node to the source. */
const network = fc
  .record({
    nodes: fc.integer({ min: 2, max: 14 }),
    links: fc.array(
      fc.tuple(fc.nat(20), fc.nat(20), fc.double({ min: -2, max: 3, noNaN: true }), fc.nat(4)),
      { maxLength: 24 },
    ),
  })
  .map(({ nodes, links }): Network => {
    const elements: Element[] = [{ type: 'source', a: 1, b: 0, volts: 12.6, ohms: 0.01, owner }]
    for (let i = 1; i < nodes; i++) elements.push({ type: 'resistor', a: i, b: i + 1, ohms: 0.05 * i, owner })
    elements.push({ type: 'resistor', a: nodes, b: 0, ohms: 2, owner })
    for (const [p, q, exponent, kind] of links) {
      const a = (p % nodes) + 1
      const b = q % (nodes + 1)
      if (a === b) continue
      if (kind < 2) elements.push({ type: 'resistor', a, b, ohms: 10 ** exponent, owner })
      else if (kind === 2) elements.push({ type: 'current', a, b, amps: exponent, owner })
      else if (kind === 3) elements.push({ type: 'nonlinear', a, b, law: fuseLaw(10 + p), owner })
      else {
        const filament = { ratedVoltage: 12, ratedPower: 5 + p, workingKelvin: 2700 }
        elements.push({ type: 'nonlinear', a, b, law: filamentLaw(filament, 293.15), owner })
      }
    }
    return { nodeCount: nodes + 1, elements }
  })

function solved(solver: { solve: Solver['solve'] }) {
  const point = solver.solve()
  if (!point.ok) throw new Error(tell(point.why))
  return point
}

describe('star–mesh elimination', () => {
  it('finds what modified nodal analysis with pivoting finds', () => {
    fc.assert(
      fc.property(network, (one) => {
        const mesh = solved(new MeshSolver(one))
        const general = solved(new GeneralSolver(one))
        mesh.voltage.forEach((v, i) => expect(Math.abs(v - general.voltage[i]!)).toBeLessThan(1e-7))
        mesh.current.forEach((amps, i) =>
          expect(Math.abs(amps - general.current[i]!)).toBeLessThan(1e-6 * (1 + Math.abs(amps))),
        )
      }),
      drawn(150),
    )
  })

  it('keeps Kirchhoff’s law at every node, and solved again gives the same to the last digit', () => {
    fc.assert(
      fc.property(network, (one) => {
        const solver = new MeshSolver(one)
        const first = solved(solver)
        expect(first.residual).toBeLessThan(1e-8)
        expect([...solved(solver).voltage]).toEqual([...first.voltage])
      }),
      drawn(80),
    )
  })

  it('answers an amp into any node as modified nodal analysis does, node by node and all at once', () => {
    fc.assert(
      fc.property(network, (one) => {
        const [mesh, general] = [new MeshSolver(one), new GeneralSolver(one)]
        solved(mesh)
        solved(general)
        const { nodeCount } = one
        const [row, other] = [new Float64Array(nodeCount), new Float64Array(nodeCount)]
        // A current from every node to the next one, of as many amps as its number.
        const currents = {
          count: nodeCount - 1,
          a: Int32Array.from({ length: nodeCount - 1 }, (_, i) => i + 1),
          b: Int32Array.from({ length: nodeCount - 1 }, (_, i) => i),
          amps: Float64Array.from({ length: nodeCount - 1 }, (_, i) => i + 1),
        }
        const shifts = new Float64Array(nodeCount * currents.count)
        mesh.shiftsBy(currents, shifts)
        const near = (found: number, expected: number, within: number) =>
          expect(Math.abs(found - expected)).toBeLessThan(within * (1 + Math.abs(expected)))
        for (let node = 0; node < nodeCount; node++) {
          mesh.respondTo(node, row)
          general.respondTo(node, other)
          row.forEach((ohms, i) => near(ohms, other[i]!, 1e-6))
          near(mesh.ohmsBetween(node, 0), row[node]!, 1e-12)
          near(mesh.ohmsBetween(node, 1), general.ohmsBetween(node, 1), 1e-6)
          for (let i = 0; i < currents.count; i++)
            near(shifts[node * currents.count + i]!, (row[i + 1]! - row[i]!) * (i + 1), 1e-9)
        }
      }),
      drawn(100),
    )
  })

  it('loses nothing between 1e-9 S and 1e6 S: a divider of gigaohms behind micro-ohms', () => {
    const elements: Element[] = [
      { type: 'source', a: 1, b: 0, volts: 12, ohms: 1e-6, owner },
      { type: 'resistor', a: 1, b: 2, ohms: 1e-6, owner },
      { type: 'resistor', a: 2, b: 3, ohms: 1e9, owner },
      { type: 'resistor', a: 3, b: 4, ohms: 1e-6, owner },
      { type: 'resistor', a: 4, b: 0, ohms: 1e9, owner },
    ]
    const { voltage } = solved(new MeshSolver({ nodeCount: 5, elements }))
    expect(voltage[3]).toBeCloseTo(6, 12)
    expect(voltage[4]).toBeCloseTo(6, 12)
  })

  it('tells a floating island by exactly nothing, and its inside all the same', () => {
    const elements: Element[] = [
      { type: 'source', a: 1, b: 0, volts: 12, ohms: 0.1, owner },
      { type: 'source', a: 3, b: 2, volts: 1.5, ohms: 1, owner },
      { type: 'resistor', a: 3, b: 2, ohms: 2, owner },
    ]
    const { voltage, island } = solved(new MeshSolver({ nodeCount: 4, elements }))
    expect(island[2]).toBe(island[3])
    expect(island[2]).not.toBe(0)
    expect(voltage[3]! - voltage[2]!).toBeCloseTo(1, 12)
  })

  it('refuses a current with nowhere to go', () => {
    const elements: Element[] = [
      { type: 'source', a: 1, b: 0, volts: 12, ohms: 0.1, owner },
      { type: 'current', a: 2, b: 0, amps: 1, owner },
    ]
    const point = new MeshSolver({ nodeCount: 3, elements }).solve()
    expect(point.ok ? '' : tell(point.why)).toContain('no equilibrium found')
  })

  it('steps a diode over its knee from either side', () => {
    for (const volts of [-24, -1, 0.3, 0.6, 1, 12, 200]) {
      const law = junctionLaw({ saturation: 1e-14, emission: 1, kelvin: 300 })
      const elements: Element[] = [
        { type: 'source', a: 1, b: 0, volts, ohms: 10, owner },
        { type: 'nonlinear', a: 1, b: 0, law, owner },
      ]
      const { voltage, current, iterations } = solved(new MeshSolver({ nodeCount: 2, elements }))
      const miss = Math.abs((volts - voltage[1]!) / 10 - current[1]!)
      expect(miss).toBeLessThan(1e-9 * Math.max(1, Math.abs(current[1]!)))
      expect(iterations).toBeLessThan(40)
    }
  })

  it('plans a pattern once, whatever its values, and a new one for another pattern', () => {
    const chain = (ohms: number, next = ohms): Network => ({
      nodeCount: 3,
      elements: [
        { type: 'source', a: 1, b: 0, volts: 12, ohms, owner },
        { type: 'resistor', a: 1, b: 2, ohms: next, owner },
      ],
    })
    const planOf = (one: Network) => structureOf(valuesOf(one)).plan
    expect(planOf(chain(1))).toBe(planOf(chain(5)))
    // A switch that opens leaves the plan as it was, and what hangs together not.
    const [closed, open] = [structureOf(valuesOf(chain(1))), structureOf(valuesOf(chain(1, Infinity)))]
    expect(open.plan).toBe(closed.plan)
    expect([...closed.island, ...open.island]).toEqual([0, 0, 0, 0, 0, 2])
    const more: Network = {
      nodeCount: 3,
      elements: [...chain(1).elements, { type: 'resistor', a: 2, b: 0, ohms: 1, owner }],
    }
    expect(planOf(more)).not.toBe(planOf(chain(1)))
  })
})
