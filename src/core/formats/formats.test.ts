import { tell } from '../words'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { keyToCsv, toCsv } from '.'
import { answerKey } from '../readings'
import { demoCircuit } from '../../../test/demo'

describe('CSV', () => {
  it('keeps commas, quotes and line breaks, and disarms formulas', () => {
    const text = toCsv(
      ['a', 'b'],
      [
        ['x, "y"', '=1+1'],
        ['two\nlines', -5],
        ['@cmd', undefined],
        ['-1+cmd|x', '-2.5'],
      ],
    )
    expect(Papa.parse(text).data).toEqual([
      ['a', 'b'],
      ['x, "y"', "'=1+1"],
      ['two\nlines', '-5'],
      ["'@cmd", ''],
      ["'-1+cmd|x", '-2.5'],
    ])
  })

  it('of an answer key reads back to the numbers of the key', () => {
    const circuit = demoCircuit()
    const healthy = answerKey(circuit, [])
    const faults = [{ kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }] as const
    const faulted = answerKey(circuit, faults)
    const text = keyToCsv(healthy, faulted, tell, { circuit, faults })
    const rows = Papa.parse<Record<string, string>>(text, { header: true }).data
    const state = healthy.states[0]!
    if (!state.ok) throw new Error(tell(state.why))
    for (const point of state.points) {
      const row = rows.find(
        (r) => r.state === state.state.name && r.quantity === 'voltage' && r.at === point.name,
      )!
      expect(Number(row.healthy)).toBeCloseTo(point.value!, 4)
      expect(Number(row.difference)).toBeCloseTo(Number(row.faulted) - Number(row.healthy), 4)
    }
    expect(rows.find((r) => r.quantity === 'ohms' && r.part === 'X2')).toMatchObject({ unit: 'Ω' })
    expect(rows.filter((r) => r.quantity === 'feed loss')).toHaveLength(circuit.states.length)
    const of = (quantity: string, name = state.state.name) =>
      rows.find((r) => r.quantity === quantity && r.state === name)!
    expect(of('planted', 'all').faulted).toMatch(/^X2 .*corroded/)
    expect(of('verdict').healthy).toMatch(/^passes: Feed loses 27\d.mV, within 300.mV \(/)
    expect(of('verdict').faulted).toMatch(/^fails: Return loses/)
    const number = (quantity: string) => Number(of(quantity).healthy)
    expect(number('available voltage')).toBeCloseTo(number('source') - number('feed loss'), 4)
    expect(of('fuse table').healthy).toMatch(/past half the rating a fuse is warm/)
  })

  it('of a key says what floats, what each conductor carries, and where a fuse is too warm for its table', () => {
    const circuit = demoCircuit('sweeper-side-harness')
    const open = [{ kind: 'open', part: 'W4', segment: 'copper' }] as const
    const [good, bad] = [answerKey(circuit, []), answerKey(circuit, open)]
    const rows = Papa.parse<Record<string, string>>(keyToCsv(good, bad, tell, { circuit, faults: open }), {
      header: true,
    }).data
    expect(rows.some((r) => r.quantity === 'clamp round one conductor' && Number(r.healthy) > 2)).toBe(true)
    const unplugged = rows.filter((r) => r.quantity === 'voltage' && r.faulted === 'floating')
    expect(unplugged.length).toBeGreaterThan(0)
    const cool = demoCircuit('sweeper-heated-step')
    const key = answerKey(cool, [])
    const said = Papa.parse<Record<string, string>>(keyToCsv(key, undefined, tell, { circuit: cool }), {
      header: true,
    }).data
    expect(said.find((r) => r.quantity === 'fuse table')!.healthy).toBe('in its honest range')
  })
})
