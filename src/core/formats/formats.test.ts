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
    const faulted = answerKey(circuit, [{ kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }])
    const rows = Papa.parse<Record<string, string>>(keyToCsv(healthy, faulted, tell), { header: true }).data
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
  })
})
