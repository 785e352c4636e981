import { describe, expect, it } from 'vitest'
import { hypothesesOf, faultAt, placeOnGrid, severityAt, widthOf } from '..'
import { oddSeverity, placeWeights } from './priors'
import { catalogue, faultOfKind, possibleFaults } from '../../faults'
import { demoCircuit, demoNames } from '../../../../test/demo'

describe('hypotheses', () => {
  it.each(demoNames)(
    'of %s are a sound circuit and every fault on every segment that it can strike',
    (name) => {
      const circuit = demoCircuit(name)
      const hypotheses = hypothesesOf(circuit)
      expect(hypotheses.filter((f) => f.fault === undefined)).toHaveLength(1)
      expect(hypotheses).toHaveLength(possibleFaults(circuit).length + 1)
      hypotheses.forEach((hypothesis, i) => {
        expect(hypothesis.index).toBe(i)
        expect(hypothesis.prior).toBeGreaterThan(0)
        if (hypothesis.fault) expect(hypothesis.pieces.length).toBeGreaterThan(0)
      })
    },
  )

  it('weigh joints and grounds above wire, wire above loads, and whatever is rare a tenth or less', () => {
    const { joint, wire, load, module } = placeWeights
    expect(joint.weight).toBeGreaterThan(wire.weight)
    expect(wire.weight).toBeGreaterThan(load.weight)
    expect(load.weight).toBeGreaterThan(module.weight)
    for (const kind of ['wrongFuse', 'swapped', 'reversed', 'wrongBulb'] as const)
      expect(faultOfKind(kind).prior.weight).toBeLessThanOrEqual(0.1)
    expect(oddSeverity).toBeLessThanOrEqual(0.1)
    for (const { kind, prior } of catalogue) {
      expect(prior.weight, kind).toBeGreaterThan(0)
      expect(prior.why.length, kind).toBeGreaterThan(9)
    }
  })

  it('range over exactly what may be planted', () => {
    for (const { kind, severity } of catalogue) {
      if (!severity) continue
      expect(severity.grid[0], kind).toBe(severity.least)
      expect(severity.grid.at(-1), kind).toBe(severity.most)
      expect(
        [...severity.grid].sort((p, q) => p - q),
        kind,
      ).toEqual(severity.grid)
    }
  })

  it('share a place’s weight, however many ways it can fail in', () => {
    const circuit = demoCircuit()
    const weight = (part: string) =>
      hypothesesOf(circuit)
        .filter((f) => f.fault?.part === part)
        .reduce((sum, f) => sum + f.prior, 0)
    expect(weight('X1')).toBeCloseTo(placeWeights.joint.weight, 9)
    expect(weight('W3')).toBeCloseTo(placeWeights.wire.weight, 9)
  })

  it('give a planted severity a place of its own', () => {
    const planted = { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 1.234 } as const
    const hypothesis = hypothesesOf(demoCircuit(), [planted]).find(
      (f) => f.fault?.part === 'X1' && f.fault.kind === 'highResistance',
    )!
    expect(faultAt(hypothesis, placeOnGrid(hypothesis.grid, 1.234))).toMatchObject({ severity: 1.234 })
  })

  it('run through their severities without a gap', () => {
    for (const { severity, kind: title } of catalogue) {
      if (!severity) continue
      const { grid } = severity
      for (let x = 0; x < grid.length - 1; x += 0.25) {
        const here = severityAt(grid, x)
        expect(here, title).toBeLessThan(severityAt(grid, x + 0.25))
        expect(placeOnGrid(grid, here), title).toBeCloseTo(x, 9)
      }
    }
  })

  it('count an odd size of a short for little', () => {
    const hypothesis = hypothesesOf(demoCircuit()).find((f) => f.fault?.kind === 'shortToGround')!
    const last = hypothesis.grid.length - 1
    const usual = widthOf(hypothesis, [[0, placeOnGrid(hypothesis.grid, 0.3)]])
    expect(widthOf(hypothesis, [[0, last]])).toBeLessThan(usual * 1.2)
    expect(widthOf(hypothesis, [])).toBe(0)
  })
})

describe('severity grids', () => {
  it.each(catalogue.filter((f) => f.severity).map((f) => [f.title, f.severity!] as const))(
    'of “%s” ascend within its range',
    (_title, severity) => {
      const { grid, least, most, preset } = severity
      grid.slice(1).forEach((value, i) => expect(value).toBeGreaterThan(grid[i]!))
      expect(grid[0]).toBeGreaterThanOrEqual(least)
      expect(grid[grid.length - 1]).toBeLessThanOrEqual(most)
      expect(preset).toBeGreaterThanOrEqual(grid[0]!)
      expect(preset).toBeLessThanOrEqual(grid[grid.length - 1]!)
    },
  )
})
