import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { demoCircuit, demoNames } from '../../../test/demo'
import { possibleFaults, type Fault } from '../faults'
import { answerKey, type StateKey } from '.'
import { isolatedColumns, pointColumns, type Column } from './columns'
import { dropRows, isolatedTable, pointRows, writeVolts } from './rows'

const circuit = demoCircuit()
const fault: Fault = { kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 2 }
const open: Fault = { kind: 'open', part: 'W4', segment: 'copper' }
const onOf = (faults: readonly Fault[]): StateKey => keyOf(faults, 'on')
const unplugged = (faults: readonly Fault[]): StateKey => keyOf(faults, 'on-unplugged')
function keyOf(faults: readonly Fault[], id: string): StateKey {
  const state = answerKey(circuit, faults).states.find((s) => s.state.id === id)!
  if (!state.ok) throw new Error(tell(state.why))
  return state
}
const healthy = onOf([])
const shownIn = <R>(columns: readonly Column<R>[], key: string, row: R): string =>
  tell(columns.find((c) => c.key === key)!.text(row))

describe('rows of the answer key', () => {
  it('have every point that a lead can reach, once', () => {
    const rows = pointRows(healthy, null)
    const reachable = healthy.points.filter((p) => !p.inside)
    expect(rows.map((r) => r.id)).toEqual(reachable.map((p) => p.name))
    expect(rows.every((r) => !r.beside && r.change === undefined && !r.bad)).toBe(true)
  })

  it('say what a fault changes: all before a bad ground rises, what lies behind it falls', () => {
    const rows = new Map(pointRows(healthy, onOf([fault])).map((r) => [r.id, r]))
    for (const above of ['G1e', 'L1b', 'X2a']) expect(rows.get(above)!.bad, above).toBe(true)
    expect(rows.get('G1e')!.difference).toBeGreaterThan(4)
    expect(shownIn(pointColumns, 'difference', rows.get('G1e')!)).toMatch(/^\d/)
    expect(rows.get('B1+')!.bad).toBe(false)
  })

  it('a point that has come to float differs, though it has no number to subtract', () => {
    // With the lamp out, what lies behind the open wire hangs on nothing.
    const [good, bad] = [unplugged([]), unplugged([open])]
    const floats = pointRows(good, bad).filter((r) => r.healthy !== undefined && r.faulted === undefined)
    expect(floats.length).toBeGreaterThan(0)
    for (const row of floats)
      expect([
        row.bad,
        shownIn(pointColumns, 'faulted', row),
        shownIn(pointColumns, 'difference', row),
      ]).toEqual([true, 'floating', ''])
    expect(writeVolts(undefined)).toBe('readings.floating')
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
    if (!state.ok) throw new Error(tell(state.why))
    const [first, second] = [dropRows(state, null, 0), dropRows(state, null, 1)]
    expect(first.some((r) => r.part === 'L1')).toBe(true)
    expect(first.some((r) => r.part === 'L2')).toBe(false)
    expect(second.some((r) => r.part === 'L2')).toBe(true)
  })

  it('of parts by themselves: an open wire reads OL and no longer beeps', () => {
    const [good, bad] = [answerKey(circuit, []), answerKey(circuit, [open])]
    const row = isolatedTable(good.isolated, bad.isolated).find((r) => r.id.startsWith('W4 '))!
    expect(row).toMatchObject({ beeps: true, other: 'OL', otherBeeps: false, bad: true })
    expect(shownIn(isolatedColumns, 'otherBeeps', row)).toBe('no beep')
    const alone = isolatedTable(good.isolated, null).find((r) => r.id.startsWith('W4 '))!
    expect(alone).toMatchObject({ other: '', otherBeeps: undefined, bad: false, difference: 0 })
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
      const alone = isolatedTable(good.isolated, bad.isolated)
      expect(new Set(alone.map((r) => r.id)).size).toBe(alone.length)
    }
  })
})
