import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { Predictor, hypothesesOf, ordinaryTests } from '.'
import { catalogue, faultOfKind, possibleFaults, type Fault } from '../faults'
import { readVolts, workshopMeter } from '../instruments'
import { aftermath, noticeAll, solveBoard } from '../board'
import { demoCircuit, demoNames } from '../../../test/demo'
import { drawn } from '../../../test/random'

describe('hypotheses', () => {
  it.each(demoNames)(
    'of %s are a sound circuit and every fault on every segment that it can strike, cell by cell',
    (name) => {
      const circuit = demoCircuit(name)
      const hypotheses = hypothesesOf(circuit)
      expect(hypotheses.filter((h) => h.part === undefined)).toHaveLength(1)
      for (const fault of possibleFaults(circuit)) {
        const cells = hypotheses.filter(
          (h) =>
            h.ends[0]?.kind === fault.kind &&
            h.part === fault.part &&
            h.ends[0].segment === fault.segment &&
            h.ends[0].other === fault.other,
        )
        const grid = faultOfKind(fault.kind).severity?.grid
        expect(cells).toHaveLength(grid ? grid.length - 1 : 1)
        // Neighbouring cells share an end: no severity between the grid's ends is left out.
        cells.slice(1).forEach((cell, i) => expect(cell.ends[0]!.severity).toBe(cells[i]!.ends[1]!.severity))
      }
      expect(hypotheses.every((h) => h.prior > 0)).toBe(true)
    },
  )

  it('weigh joints and grounds above wire, whatever the number of ways in which each can fail', () => {
    const circuit = demoCircuit()
    const weight = (part: string, segment: string) =>
      hypothesesOf(circuit)
        .filter((h) => h.part === part && h.ends[0]?.segment === segment)
        .reduce((sum, h) => sum + h.prior, 0)
    // Swapped pins are far rarer than a bad terminal, so that the ways of this pin do not quite make three.
    expect(weight('X1', 'pin')).toBeGreaterThan(2.5)
    expect(weight('X1', 'pin')).toBeLessThan(3)
    expect(weight('G1', 'foot')).toBeCloseTo(3, 9)
    expect(weight('W3', 'copper')).toBeCloseTo(1, 9)
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

describe('predicted readings', () => {
  it.each(demoNames)(
    'on %s hold whatever a fault between two grid values really reads, on any function',
    (name) => {
      const circuit = demoCircuit(name)
      const predictor = new Predictor(circuit)
      const cells = predictor.hypotheses.filter((h) => h.ends.length === 2)
      const points = predictor.wiring.points
      fc.assert(
        fc.property(
          fc.nat(cells.length - 1),
          fc.double({ min: 0, max: 1, noNaN: true }),
          fc.nat(points.length - 1),
          fc.nat(points.length - 1),
          fc.nat(circuit.states.length - 1),
          (c, share, r, b, s) => {
            const cell = cells[c]!
            const [low, high] = cell.ends.map((corner) => corner.severity!)
            const fault: Fault = { ...cell.ends[0]!, severity: low! * (high! / low!) ** share }
            const state = circuit.states[s]!
            const solved = solveBoard(circuit, [fault], state, { blown: aftermath(circuit, [fault]) })
            if (!solved.ok) return
            const [red, black] = [points[r]!.node, points[b]!.node]
            const reading = readVolts(solved, red, black, workshopMeter)
            // Floating points read what the meter makes of them; two ends that differ in that are no hull.
            if (reading.floating) return
            const place = { type: 'leads' as const, red, black }
            const setup = { state, instrument: 'volts' as const, settings: {}, place }
            const fact = { type: 'measured' as const, setup, value: reading.value!, meaningless: false }
            const interval = predictor.interval(cell, setup)!
            expect(
              predictor.admits(cell, fact),
              `${JSON.stringify(fault)} ${points[r]!.name} ${points[b]!.name}: ${reading.value} in ${JSON.stringify(interval)}`,
            ).toBe(true)
          },
        ),
        drawn(90),
      )
    },
    60_000,
  )

  it('let what was seen through under the fault that caused it', () => {
    const circuit = demoCircuit('van-washer-pump')
    const predictor = new Predictor(circuit)
    for (const hypothesis of predictor.hypotheses.filter((_, i) => i % 7 === 0)) {
      const fault = hypothesis.ends[0]
      const state = circuit.states[0]!
      const solved = solveBoard(circuit, fault ? [fault] : [], state, {
        blown: aftermath(circuit, fault ? [fault] : []),
      })
      if (!solved.ok) continue
      const seen = Object.fromEntries(noticeAll(solved).map((n) => [n.part, n.key]))
      expect(predictor.admits(hypothesis, { type: 'seen', state, seen })).toBe(true)
    }
  })

  it('exclude nothing by a reading that means nothing', () => {
    const circuit = demoCircuit()
    const predictor = new Predictor(circuit)
    const [setup] = ordinaryTests(predictor, circuit.states)
    const nonsense = { type: 'measured' as const, setup: setup!, value: -1e9, meaningless: true }
    expect(predictor.hypotheses.every((h) => predictor.admits(h, nonsense))).toBe(true)
    expect(predictor.hypotheses.some((h) => predictor.admits(h, { ...nonsense, meaningless: false }))).toBe(
      false,
    )
  })
})
