import { describe, expect, it } from 'vitest'
import { Predictor, type Hypothesis } from '..'
import { sameBoard, SeveritySweep } from './severity-sweep'
import type { Fault } from '../../faults'
import { demoCircuit, stateOf } from '../../../../test/demo'

const circuit = demoCircuit()
const on = stateOf(circuit, 'on')
const hypothesisOf = (predictor: Predictor, kind: Fault['kind'], part: string): Hypothesis =>
  predictor.hypotheses.find((f) => f.fault?.kind === kind && f.fault.part === part)!

describe('the boards of a hypothesis', () => {
  it('are solved where somebody looks, once, in order', () => {
    const predictor = new Predictor(circuit)
    const asked: number[] = []
    const hypothesis = hypothesisOf(predictor, 'highResistance', 'X2')
    const inner = predictor.sweep(hypothesis, predictor.situation(on))
    const sweep = new SeveritySweep(hypothesis, (x) => {
      asked.push(x)
      return inner.at(x)
    })
    for (const x of [3, 1, 2.5, 3]) expect(sweep.at(x).x).toBe(x)
    expect(asked).toEqual([3, 1, 2.5])
    expect(sweep.points.map((s) => s.x)).toEqual([1, 2.5, 3])
  })

  it('are few where nothing changes, and close where it does', () => {
    const predictor = new Predictor(circuit)
    const situation = predictor.situation(stateOf(circuit, 'off'))
    const idle = predictor
      .sweep(hypothesisOf(predictor, 'highResistance', 'X2'), situation)
      .refined([[0, 99]])
    expect(idle.length).toBeLessThan(8)
    const loaded = predictor
      .sweep(hypothesisOf(predictor, 'highResistance', 'X2'), predictor.situation(on))
      .refined([[0, 99]])
    expect(loaded.length).toBeGreaterThan(idle.length)
    loaded.slice(1).forEach((point, i) => {
      const before = loaded[i]!
      expect(point.x - before.x <= 1 || sameBoard(before, point)).toBe(true)
    })
  })

  it('are given back and solved again when they are asked for', () => {
    const predictor = new Predictor(circuit)
    const sweep = predictor.sweep(hypothesisOf(predictor, 'open', 'X2'), predictor.situation(on))
    const [point] = sweep.refined([[0, 99]])
    const volts = [...point!.solved!.point.voltage]
    sweep.drop()
    expect(point!.answers).toBe(true)
    expect([...point!.solved!.point.voltage]).toEqual(volts)
  })

  it('are the same after steps that did not touch them, and sound ones after the right repair', () => {
    const predictor = new Predictor(circuit)
    const after = (piece: string) =>
      predictor.situation(on, { repairs: [{ piece, by: 'replace' }], reseated: [], renewed: [], spent: [] })
    const hypothesis = hypothesisOf(predictor, 'open', 'X2')
    const before = predictor.sweep(hypothesis, predictor.situation(on))
    expect(predictor.sweep(hypothesis, after('W3'))).toBe(before)
    const repaired = predictor.sweep(hypothesis, after('X2')).at(0)
    const sound = predictor.sweep(predictor.hypotheses[0]!, predictor.situation(on)).at(0)
    expect(repaired.notices).toEqual(sound.notices)
    expect(before.at(0).notices).not.toEqual(sound.notices)
  })

  it('have a place for the severity that is planted', () => {
    const planted: Fault = { kind: 'highResistance', part: 'X2', segment: 'pin', severity: 1.234 }
    const predictor = new Predictor(circuit, undefined, [planted])
    const hypothesis = hypothesisOf(predictor, 'highResistance', 'X2')
    expect(hypothesis.grid[hypothesis.plantedAt!]).toBe(1.234)
    const { points } = predictor.sweep(hypothesis, predictor.situation(on))
    predictor.sweep(hypothesis, predictor.situation(on)).coarse([[0, 99]])
    expect(points.map((s) => s.x)).toContain(hypothesis.plantedAt)
  })
})
