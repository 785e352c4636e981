import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { Matrix, solve as denseSolve } from 'ml-matrix'
import { PatternBuilder, Solver, SparseLU, type Element, type Network } from '.'
import { drawn } from '../../../test/random'

const owner = { part: 'T', segment: 't' }
const resistor = (a: number, b: number, ohms: number): Element => ({ type: 'resistor', a, b, ohms, owner })
const ideal = (a: number, b: number, volts: number): Element => ({ type: 'ideal', a, b, volts, owner })

function solved(network: Network) {
  const result = new Solver(network).solve()
  if (!result.ok) throw new Error(tell(result.why))
  return result
}

describe('sparse factorization, against ml-matrix', () => {
  const entries = fc.integer({ min: 2, max: 14 }).chain((n) =>
    fc.record({
      n: fc.constant(n),
      list: fc.array(fc.tuple(fc.nat(n - 1), fc.nat(n - 1), fc.double({ min: -5, max: 5, noNaN: true })), {
        maxLength: 3 * n,
      }),
      diagonal: fc.array(fc.double({ min: -1, max: 8, noNaN: true }), { minLength: n, maxLength: n }),
      b: fc.array(fc.double({ min: -9, max: 9, noNaN: true }), { minLength: n, maxLength: n }),
      scale: fc.double({ min: 0.5, max: 2, noNaN: true }),
    }),
  )

  it('solves A x = b, first and again with new values', () => {
    fc.assert(
      fc.property(entries, ({ n, list, diagonal, b, scale }) => {
        const builder = new PatternBuilder(n)
        const all = [...list, ...diagonal.map((d, i) => [i, i, d + 0.01] as [number, number, number])]
        const keys = all.map(([r, c]) => builder.slot(r, c))
        const { matrix, place } = builder.build()
        const lu = new SparseLU(matrix)
        for (const factor of [1, scale]) {
          matrix.value.fill(0)
          const dense = Matrix.zeros(n, n)
          all.forEach(([r, c, v], i) => {
            const x = r === c ? v : v * factor
            matrix.value[place[keys[i]!]!]! += x
            dense.set(r, c, dense.get(r, c) + x)
          })
          const condition = Math.abs(dense.norm()) // cheap guard against near-singular draws
          const right = Matrix.columnVector(b)
          let expected: number[]
          try {
            expected = denseSolve(dense, right).to1DArray()
          } catch {
            return
          }
          if (Math.max(...expected.map(Math.abs)) > 1e5 * condition) return
          expect(lu.factor()).toBe(true)
          const x = Float64Array.from(b)
          lu.solve(x)
          const size = 1 + Math.max(...expected.map(Math.abs))
          x.forEach((v, i) => expect(Math.abs(v - expected[i]!)).toBeLessThan(1e-6 * size))
        }
      }),
      drawn(300),
    )
  })
})

describe('operating point', () => {
  it('divides a voltage', () => {
    const { voltage, current } = solved({
      nodeCount: 3,
      elements: [ideal(1, 0, 12), resistor(1, 2, 2), resistor(2, 0, 4)],
    })
    expect(voltage[2]).toBeCloseTo(8, 9)
    expect(current[0]).toBeCloseTo(-2, 9)
  })

  it('says which nodes float, and solves the rest', () => {
    const { voltage, island } = solved({
      nodeCount: 5,
      elements: [ideal(1, 0, 12), resistor(1, 2, 1), resistor(2, 0, 1), resistor(3, 4, 5)],
    })
    expect(voltage[2]).toBeCloseTo(6, 9)
    expect([...island]).toEqual([0, 0, 0, 3, 3])
  })

  it('refuses sources that contradict each other', () => {
    const result = new Solver({ nodeCount: 2, elements: [ideal(1, 0, 12), ideal(1, 0, 24)] }).solve()
    expect(result.ok).toBe(false)
  })

  it('gives the resistance between any two nodes from one factorization', () => {
    const solver = new Solver({
      nodeCount: 4,
      elements: [resistor(1, 0, 3), resistor(1, 2, 5), resistor(2, 3, 7), resistor(3, 0, 11)],
    })
    solver.solve()
    const [one, three] = [new Float64Array(4), new Float64Array(4)]
    solver.respondTo(1, one)
    solver.respondTo(3, three)
    // Ring of 3, 5, 7, 11 seen between nodes 1 and 3: (3 + 11) against (5 + 7).
    expect(one[1]! - one[3]! - three[1]! + three[3]!).toBeCloseTo((14 * 12) / 26, 9)
  })

  it('keeps Kirchhoff over conductances from 1e-9 to 1e4 siemens', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -4, max: 9, noNaN: true }), { minLength: 3, maxLength: 40 }),
        (exponents) => {
          const elements: Element[] = [ideal(1, 0, 12)]
          exponents.forEach((e, i) =>
            elements.push(resistor(i + 1, i + 2, 10 ** e), resistor(i + 2, 0, 10 ** ((e * 7) % 9))),
          )
          const { residual, voltage } = solved({ nodeCount: exponents.length + 2, elements })
          expect(residual).toBeLessThan(1e-6)
          voltage.forEach((v) => expect(v).toBeGreaterThanOrEqual(-1e-6))
        },
      ),
    )
  })
})
