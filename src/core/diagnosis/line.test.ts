import { describe, expect, it } from 'vitest'
import { Predictor, type Family } from '.'
import { alike, Line } from './line'
import type { Fault } from '../faults'
import { demoCircuit, stateOf } from '../../../test/demo'

const circuit = demoCircuit()
const on = stateOf(circuit, 'on')
const familyOf = (predictor: Predictor, kind: Fault['kind'], part: string): Family =>
  predictor.families.find((f) => f.fault?.kind === kind && f.fault.part === part)!

describe('the boards of a family', () => {
  it('are solved where somebody looks, once, in order', () => {
    const predictor = new Predictor(circuit)
    const asked: number[] = []
    const family = familyOf(predictor, 'highResistance', 'X2')
    const inner = predictor.line(family, predictor.situation(on))
    const line = new Line(family, (x) => {
      asked.push(x)
      return inner.at(x)
    })
    for (const x of [3, 1, 2.5, 3]) expect(line.at(x).x).toBe(x)
    expect(asked).toEqual([3, 1, 2.5])
    expect(line.samples.map((s) => s.x)).toEqual([1, 2.5, 3])
  })

  it('are few where nothing changes, and close where it does', () => {
    const predictor = new Predictor(circuit)
    const situation = predictor.situation(stateOf(circuit, 'off'))
    const idle = predictor.line(familyOf(predictor, 'highResistance', 'X2'), situation).laid()
    expect(idle.length).toBeLessThan(8)
    const loaded = predictor.line(familyOf(predictor, 'highResistance', 'X2'), predictor.situation(on)).laid()
    expect(loaded.length).toBeGreaterThan(idle.length)
    loaded.slice(1).forEach((sample, i) => {
      const before = loaded[i]!
      expect(sample.x - before.x <= 1 || alike(before, sample)).toBe(true)
    })
  })

  it('are given back and solved again when they are asked for', () => {
    const predictor = new Predictor(circuit)
    const line = predictor.line(familyOf(predictor, 'open', 'X2'), predictor.situation(on))
    const [sample] = line.laid()
    const volts = [...sample!.solved!.point.voltage]
    line.drop()
    expect(sample!.answers).toBe(true)
    expect([...sample!.solved!.point.voltage]).toEqual(volts)
  })

  it('are the same after steps that did not touch them, and sound ones after the right repair', () => {
    const predictor = new Predictor(circuit)
    const after = (piece: string) =>
      predictor.situation(on, { repairs: [{ piece, by: 'replace' }], reseated: [], renewed: [], spent: [] })
    const family = familyOf(predictor, 'open', 'X2')
    const before = predictor.line(family, predictor.situation(on))
    expect(predictor.line(family, after('W3'))).toBe(before)
    const repaired = predictor.line(family, after('X2')).at(0)
    const sound = predictor.line(predictor.families[0]!, predictor.situation(on)).at(0)
    expect(repaired.notices).toEqual(sound.notices)
    expect(before.at(0).notices).not.toEqual(sound.notices)
  })

  it('have a place for the severity that is planted', () => {
    const planted: Fault = { kind: 'highResistance', part: 'X2', segment: 'pin', severity: 1.234 }
    const predictor = new Predictor(circuit, undefined, [planted])
    const family = familyOf(predictor, 'highResistance', 'X2')
    expect(family.grid[family.mark!]).toBe(1.234)
    const { samples } = predictor.line(family, predictor.situation(on))
    predictor.line(family, predictor.situation(on)).sketched()
    expect(samples.map((s) => s.x)).toContain(family.mark)
  })
})
