import { describe, expect, it } from 'vitest'
import { isPartKind } from '../parts'
import { calculators, lookUps, presetsOf, sensitivityOf } from '.'

describe('calculators', () => {
  it.each(calculators.map((c) => [c.title, c] as const))(
    '%s gives what its example has from outside',
    (_, calculator) => {
      const { given, gives, from } = calculator.example
      expect(from.length).toBeGreaterThan(10)
      const results = calculator.results({ ...presetsOf(calculator), ...(given as Record<string, number>) })
      for (const [label, value, within] of gives) {
        const found = results.find((r) => r.label === label)
        expect(found, label).toBeDefined()
        expect(Math.abs(found!.value - value), `${label}: ${found!.value}`).toBeLessThanOrEqual(within)
      }
    },
  )

  it.each(calculators.map((c) => [c.title, c] as const))(
    '%s answers in numbers over the whole of its inputs, or says why not',
    (_, calculator) => {
      for (const end of ['least', 'most'] as const)
        for (const key of Object.keys(calculator.inputs)) {
          const given = { ...presetsOf(calculator), [key]: calculator.inputs[key]![end] }
          for (const { label, value, note } of calculator.results(given))
            expect(
              Number.isFinite(value) || note !== undefined || end === 'most' || given[key] === 0,
              `${key} ${end}: ${label}`,
            ).toBe(true)
        }
    },
  )

  it('say what an answer hangs on most', () => {
    const drop = calculators.find(({ key }) => key === 'wireDrop')!
    const moves = sensitivityOf(drop, { length: 3, section: 1.5, amps: 10, temperature: 20 })
    expect(
      moves
        .map(({ input }) => input)
        .slice(0, 2)
        .toSorted(),
    ).toEqual(['amps', 'length'])
    // A tenth longer loses a tenth more.
    const [before] = drop.results({ length: 3, section: 1.5, amps: 10, temperature: 20 })
    expect(moves.find(({ input }) => input === 'length')!.result).toBeCloseTo(1.1 * before!.value, 9)
  })
})

describe('tables', () => {
  it.each(lookUps.map((t) => [t.title, t] as const))(
    '%s is whole: as many cells as heads, none empty, its source named',
    (_, table) => {
      expect(table.source.length).toBeGreaterThan(5)
      for (const row of table.rows) {
        expect(row).toHaveLength(table.head.length)
        for (const cell of row) expect(cell.trim()).not.toBe('')
      }
    },
  )

  it('have keys of their own beside the calculators', () => {
    const keys = [...calculators, ...lookUps].map(({ key }) => key)
    expect(new Set(keys).size).toBe(keys.length)
    expect(keys.some(isPartKind)).toBe(false)
  })
})
