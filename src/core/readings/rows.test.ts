import { describe, expect, it } from 'vitest'
import { demoCircuit, demoNames } from '../../../test/demo'
import { possibleFaults, type Fault } from '../../core/faults'
import { answerKey, type StateKey } from '../../core/readings'
import { dropRows, isolatedRows, pointRows, volts } from './rows'

const circuit = demoCircuit()
const fault: Fault = { kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 2 }
const open: Fault = { kind: 'open', part: 'W4', segment: 'copper' }
const onOf = (faults: readonly Fault[]): StateKey => {
  const state = answerKey(circuit, faults).states[0]!
  if (!state.ok) throw new Error(state.message)
  return state
}
const healthy = onOf([])

describe('rows of the answer key', () => {
  it('have every point that a lead can reach, once', () => {
    const rows = pointRows(healthy, null)
    const reachable = healthy.points.filter((p) => !p.inside)
    expect(rows.map((r) => r.id)).toEqual(reachable.map((p) => p.name))
    expect(rows.every((r) => r.other === '' && r.text === '' && !r.bad)).toBe(true)
  })

  it('say what a fault changes: all before a bad ground rises, what lies behind it falls', () => {
    const rows = new Map(pointRows(healthy, onOf([fault])).map((r) => [r.id, r]))
    for (const above of ['G1e', 'L1b', 'X2a']) expect(rows.get(above)!.bad, above).toBe(true)
    expect(rows.get('G1e')!.difference).toBeGreaterThan(4)
    expect(rows.get('G1e')!.text).toMatch(/^\d/)
    expect(rows.get('B1+')!.bad).toBe(false)
  })

  it('a point that has come to float differs, though it has no number to subtract', () => {
    const floats = pointRows(healthy, onOf([open])).filter((r) => r.other === 'floating')
    for (const row of floats) expect([row.bad, row.text]).toEqual([true, ''])
    expect(volts(undefined)).toBe('floating')
  })

  it('of drops: the piece with the fault has the amps of now, and the difference of the two boards', () => {
    const bad = onOf([fault])
    const row = dropRows(healthy, bad).find((r) => r.id === 'G1.eyelet')!
    const [good, now] = [healthy, bad].map((k) =>
      k.drops.find((d) => d.part === 'G1' && d.segment === 'eyelet')!,
    )
    expect(row.bad).toBe(true)
    expect(row.amps).toBe(now!.amps)
    expect(row.difference).toBeCloseTo(now!.value! - good!.value!, 12)
    // Two ohms more, less the healthy joint's own.
    expect(row.difference / now!.amps).toBeCloseTo(2, 1)
  })

  it('of one path are the pieces of that path alone', () => {
    const two = demoCircuit('gritter-spinner-lights')
    const state = answerKey(two, []).states[0]!
    if (!state.ok) throw new Error(state.message)
    const [first, second] = [dropRows(state, null, 0), dropRows(state, null, 1)]
    expect(first.some((r) => r.part === 'L1')).toBe(true)
    expect(first.some((r) => r.part === 'L2')).toBe(false)
    expect(second.some((r) => r.part === 'L2')).toBe(true)
  })

  it('of parts by themselves: an open wire reads OL and no longer beeps', () => {
    const [good, bad] = [answerKey(circuit, []), answerKey(circuit, [open])]
    const row = isolatedRows(good.isolated, bad.isolated).find((r) => r.id.startsWith('W4 '))!
    expect(row).toMatchObject({ beeps: 'beep', other: 'OL', otherBeeps: 'no beep', bad: true })
    const alone = isolatedRows(good.isolated, null).find((r) => r.id.startsWith('W4 '))!
    expect(alone).toMatchObject({ other: '', otherBeeps: '', bad: false, difference: 0 })
  })

  it.each(demoNames)('of %s have names that differ, with any fault beside them', (name) => {
    const demo = demoCircuit(name)
    const faults = possibleFaults(demo)
    const every = Math.ceil(faults.length / 4)
    const good = answerKey(demo, [])
    for (const one of faults.filter((_, i) => i % every === 0)) {
      const bad = answerKey(demo, [one])
      good.states.forEach((state, i) => {
        const other = bad.states[i]!
        if (!state.ok || !other.ok) return
        for (const rows of [pointRows(state, other), dropRows(state, other)]) {
          expect(new Set(rows.map((r) => r.id)).size).toBe(rows.length)
          for (const row of rows)
            expect(Number.isFinite(row.size) && Number.isFinite(row.difference)).toBe(true)
        }
      })
      const alone = isolatedRows(good.isolated, bad.isolated)
      expect(new Set(alone.map((r) => r.id)).size).toBe(alone.length)
    }
  })
})
