import { tell } from '../../words'
import { describe, expect, it } from 'vitest'
import { PatternBuilder, Solver, findIslands, type Element } from '..'
import { valuesOf } from '../values'
import { structureOf } from '../structure'
import { minimumDegree } from './order'

const owner = { part: 'T', segment: 't' }
const resistor = (a: number, b: number, ohms = 1): Element => ({ type: 'resistor', a, b, ohms, owner })

/** A harness: a trunk with a branch of `twigs` wires at each of its joints, each grounded through a load. */
function harness(joints: number, twigs: number): { nodeCount: number; elements: Element[] } {
  const elements: Element[] = [{ type: 'source', a: 1, b: 0, volts: 12.6, ohms: 0.005, owner }]
  let last = 1
  let count = 2
  for (let j = 0; j < joints; j++) {
    const joint = count++
    elements.push(resistor(last, joint, 0.01))
    let tip = joint
    for (let t = 0; t < twigs; t++) {
      elements.push(resistor(tip, count, 0.02))
      tip = count++
    }
    elements.push(resistor(tip, 0, 20 + j))
    last = joint
  }
  return { nodeCount: count, elements }
}

describe('elimination order', () => {
  it('is a permutation, and gives a tree no fill at all', () => {
    const builder = new PatternBuilder(7)
    for (let i = 0; i < 7; i++) builder.slot(i, i)
    for (let i = 1; i < 7; i++) {
      const parent = (i - 1) >> 1
      builder.slot(i, parent)
      builder.slot(parent, i)
    }
    const { matrix } = builder.build()
    expect([...minimumDegree(matrix)].sort()).toEqual([0, 1, 2, 3, 4, 5, 6])
  })

  it('keeps the factors of a harness as sparse as the harness, at any size', () => {
    for (const joints of [10, 40, 160]) {
      const network = harness(joints, 4)
      expect(new Solver(network).solve().ok).toBe(true)
      // One entry per node is the least that a tree can have.
      expect(structureOf(valuesOf(network)).plan.neighbour.length).toBeLessThanOrEqual(network.nodeCount)
    }
  })
})

describe('pattern', () => {
  it('adds what falls on one place', () => {
    const builder = new PatternBuilder(2)
    const keys = [builder.slot(0, 0), builder.slot(1, 1), builder.slot(0, 0), builder.slot(0, 1)]
    const { matrix, place } = builder.build()
    expect(place[keys[0]!]).toBe(place[keys[2]!])
    expect(matrix.row).toHaveLength(3)
    expect([...matrix.start]).toEqual([0, 1, 3])
  })
})

describe('large harness', () => {
  it('of 800 nodes keeps Kirchhoff’s law at each, and carries more the nearer to the battery', () => {
    const network = harness(160, 4)
    const solved = new Solver(network).solve()
    if (!solved.ok) throw new Error(tell(solved.why))
    expect(network.nodeCount).toBeGreaterThan(800)
    expect(solved.residual).toBeLessThan(1e-8)
    const trunk = network.elements.flatMap((e, i) =>
      e.type === 'resistor' && e.ohms === 0.01 ? [solved.current[i]!] : [],
    )
    trunk.slice(1).forEach((amps, i) => expect(amps).toBeLessThan(trunk[i]!))
  })

  it('solved again from its own answer stays where it is', () => {
    const solver = new Solver(harness(20, 3))
    const first = solver.solve()
    if (!first.ok) throw new Error(tell(first.why))
    const again = solver.solve(first.voltage)
    if (!again.ok) throw new Error(tell(again.why))
    again.voltage.forEach((v, i) => expect(v).toBeCloseTo(first.voltage[i]!, 9))
  })
})

describe('islands', () => {
  it('are joined by anything that conducts, not by current sources nor by infinite ohms', () => {
    const elements: Element[] = [
      resistor(0, 1),
      resistor(2, 3),
      { type: 'current', a: 1, b: 2, amps: 1, owner },
      resistor(3, 4, Infinity),
    ]
    expect([...findIslands({ nodeCount: 5, elements })]).toEqual([0, 0, 2, 2, 4])
  })
})
