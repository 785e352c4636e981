import { tell } from '../words'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { isPartKind } from '../parts'
import { calculatorOf, calculators, lookUps, presetsOf, sensitivityOf } from '.'

describe('calculators', () => {
  it.each(calculators.map((c) => [c.key, c] as const))(
    '%s gives what its example has from outside',
    (_, calculator) => {
      const { given, gives, from } = calculator.example
      expect(from.length).toBeGreaterThan(10)
      const results = calculator.results({ ...presetsOf(calculator), ...(given as Record<string, number>) })
      for (const [label, value, within] of gives) {
        const found = results.find((r) => tell(r.label) === tell(label))
        expect(found, tell(label)).toBeDefined()
        expect(Math.abs(found!.value - value), `${tell(label)}: ${found!.value}`).toBeLessThanOrEqual(within)
      }
    },
  )

  it.each(calculators.map((c) => [c.key, c] as const))(
    '%s answers in numbers over the whole of its inputs, or says why not',
    (_, calculator) => {
      for (const end of ['least', 'most'] as const)
        for (const key of Object.keys(calculator.inputs)) {
          const given = { ...presetsOf(calculator), [key]: calculator.inputs[key]![end] }
          for (const { label, value, note } of calculator.results(given))
            expect(
              Number.isFinite(value) || note !== undefined || end === 'most' || given[key] === 0,
              `${key} ${end}: ${tell(label)}`,
            ).toBe(true)
        }
    },
  )

  it.each(calculators.map((c) => [c.key, c] as const))(
    '%s names the functions of the core that reckon it, and no other',
    (_, { key, by }) => {
      const file = `src/core/handbook/calculators/${key.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}.ts`
      const source = readFileSync(file, 'utf8')
      const taken = [...source.matchAll(/import \{([^}]+)\} from '\.\.\/\.\.\//g)]
        .flatMap(([, names]) => names!.split(','))
        .map((name) => name.trim())
        .filter((name) => name && !name.startsWith('type '))
      // Lists, settings and words are not what reckons.
      const data = new Set(['sections', 'fuseTypes', 'workshopMeter', 'figures', 'say'])
      expect(by.toSorted()).toEqual(taken.filter((name) => !data.has(name)).toSorted())
    },
  )

  it('the missing one of the sum is found whichever it is', () => {
    const sum = calculatorOf('sum')
    const all = { source: 12.6, feed: 0.25, load: 12.1, back: 0.25 }
    for (const [missing, key] of (['source', 'feed', 'load', 'back'] as const).entries()) {
      const [first] = sum.results({ ...all, [key]: 0, missing })
      expect(first!.value, key).toBeCloseTo(all[key], 9)
    }
  })

  it('millivolts of a fuse to amps and back are the same pair', () => {
    const of = calculatorOf
    for (const type of [0, 1])
      for (const rating of [3, 10, 30]) {
        const [shows] = of('fuseDrop').results({ type, rating, amps: 0.8 })
        expect(of('fuseVolts').results({ type, rating, volts: shows!.value })[0]!.value).toBeCloseTo(0.8, 9)
      }
  })

  it('the load test asks less of a colder battery, as workshop manuals print it (from memory)', () => {
    const test = calculatorOf('loadTest')
    const least = (temperature: number) =>
      test.results({ ...presetsOf(test), temperature }).find(({ label }) => tell(label) === 'Must hold')!
        .value
    expect([30, 21, 10, -1, -18, -30].map(least)).toEqual([9.6, 9.6, 9.4, 9.1, 8.5, 8.5])
    expect(least(-9.5)).toBeCloseTo(8.8, 9)
  })

  it('say what an answer hangs on most', () => {
    const drop = calculatorOf('wireDrop')
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
  it.each(lookUps.map((t) => [t.key, t] as const))(
    '%s is whole: as many cells as heads, none empty, its source named',
    (_, table) => {
      expect(tell(table.source).length).toBeGreaterThan(5)
      for (const row of table.rows) {
        expect(row).toHaveLength(table.head.length)
        for (const cell of row) expect(tell(cell).trim()).not.toBe('')
      }
    },
  )

  it('have keys of their own beside the calculators', () => {
    const keys = [...calculators, ...lookUps].map(({ key }) => key)
    expect(new Set(keys).size).toBe(keys.length)
    expect(keys.some(isPartKind)).toBe(false)
  })
})
