import { describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../../test/demo'
import type { Fault } from '../../../core/faults'
import { answerKey, type Arrange } from '../../../core/readings'
import { sections, sheetRows, type StatePair } from './sheet-rows'

const circuit = demoCircuit('sweeper-work-lamp')
const fault: Fault = { kind: 'highResistance', part: 'G1', segment: 'eyelet', severity: 1 }
const healthy = answerKey(circuit, [])
const faulted = answerKey(circuit, [fault])
const asTheyAre: Arrange = (rows) => [...rows]
const pairs = (beside: boolean): StatePair[] =>
  healthy.states.flatMap((state, i) => {
    const other = faulted.states[i]
    return state.ok ? [{ id: state.state.id, state, faulted: beside && other?.ok ? other : null }] : []
  })
const sheet = (more: Partial<Parameters<typeof sheetRows>[0]> = {}) =>
  sheetRows({
    pairs: pairs(true),
    isolated: healthy.isolated,
    isolatedFaulted: faulted.isolated,
    arrange: asTheyAre,
    ...more,
  })

describe('the rows of the sheet', () => {
  it('are one table: each section under its heading, and no section that has nothing', () => {
    const rows = sheet()
    const headings = rows.filter(({ heading }) => heading).map(({ section }) => section)
    expect(headings).toEqual(sections.filter((s) => headings.includes(s)))
    expect(headings).toEqual(expect.arrayContaining(['points', 'drops', 'fuses', 'isolated']))
    expect(new Set(rows.map(({ key }) => key)).size).toBe(rows.length)
    for (const section of headings)
      expect(rows.filter((r) => r.section === section && !r.heading).length, section).toBeGreaterThan(0)
    expect(sheet({ wanted: ['fuses'] }).every(({ section }) => section === 'fuses')).toBe(true)
  })

  it('have a cell for each state that is shown, and say where the fault shows', () => {
    const all = pairs(true)
    const row = sheet().find(({ key }) => key === 'points L1b')!
    expect(row.cells).toHaveLength(all.length)
    const on = all.findIndex(({ state }) => state.notices.some(({ key }) => key === 'bright'))
    const off = all.findIndex(({ state }) => state.state.controls.S1 === 'open')
    expect(row.cells[on]).toMatchObject({ bad: true })
    expect(row.cells[on]!.healthy).toMatch(/mV$/)
    expect(row.cells[on]!.faulted).toMatch(/^3\.\d+\sV$/)
    expect(row.cells[off]!.bad).toBe(false)
    expect(row.bad).toBe(true)
  })

  it('have no faulted figures where no fault stands beside', () => {
    const rows = sheet({ pairs: pairs(false), isolatedFaulted: null })
    expect(rows.some(({ bad, difference }) => bad || difference)).toBe(false)
    expect(rows.flatMap(({ cells }) => cells).every(({ faulted: other }) => other === '')).toBe(true)
  })

  it('are picked and put in order within their sections', () => {
    const bad: Arrange = (rows) => rows.filter((row) => row.bad).reverse()
    const rows = sheet({ arrange: bad }).filter(({ heading }) => !heading)
    expect(rows.length).toBeGreaterThan(0)
    expect(rows.every((row) => row.bad)).toBe(true)
    const order = rows.map(({ section }) => sections.indexOf(section))
    expect(order).toEqual([...order].sort((a, b) => a - b))
  })
})
