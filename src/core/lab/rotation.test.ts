import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { brokenRules, costOf, leastUneven, rotate, type Group, type Seats, type Station } from '.'
import { drawn } from '../../../test/random'

const station = (i: number, task: string, family = task[0]!): Station => ({
  name: `bench ${i + 1}`,
  task,
  family,
})
const stations = (tasks: readonly string[]) => tasks.map((task, i) => station(i, task))
const groups = (n: number): Group[] => Array.from({ length: n }, (_, i) => ({ name: `group ${i + 1}` }))

/** Every plan there is, each round an arrangement of groups at benches. */
function* everyPlan(count: number, people: number, rounds: number): Generator<number[][]> {
  function* places(left: readonly number[], n: number): Generator<number[]> {
    if (n === 0) yield []
    else
      for (const seat of left)
        for (const rest of places(
          left.filter((s) => s !== seat),
          n - 1,
        ))
          yield [seat, ...rest]
  }
  const all = [...places([...Array(count).keys()], people)]
  function* from(round: number): Generator<number[][]> {
    if (round === rounds) yield Array.from({ length: people }, () => [])
    else
      for (const rest of from(round + 1)) for (const now of all) yield rest.map((row, g) => [now[g]!, ...row])
  }
  yield* from(0)
}

describe('rotation', () => {
  it.each([
    [['a1', 'b1', 'c1'], 3, 3],
    [['a1', 'a2', 'b1'], 3, 2],
    [['a1', 'a1', 'b1'], 2, 2],
    [['a1', 'b1', 'a2', 'b2'], 3, 2],
    [['a1', 'b1'], 2, 2],
  ])('of %j for %i groups in %i rounds is as good as the best of all plans', (tasks, people, rounds) => {
    const [at, who] = [stations(tasks), groups(people)]
    let best = Infinity
    for (const plan of everyPlan(tasks.length, people, rounds)) best = Math.min(best, costOf(at, who, plan))
    const found = rotate(at, who, rounds)
    expect(costOf(at, who, found.seats)).toBeCloseTo(best, 9)
    if (found.best) expect(found.broken).toEqual([])
  })

  it('of a full workshop breaks no rule: twenty benches, twenty pairs, eight rounds', () => {
    const at = stations(Array.from({ length: 20 }, (_, i) => `${'abcd'[i % 4]}${i}`))
    const who = groups(20)
    const found = rotate(at, who, 8)
    expect(found.broken).toEqual([])
    const uneven = found.seats.map((row) => {
      const counts = new Map<string, number>()
      for (const seat of row) counts.set(at[seat]!.family, (counts.get(at[seat]!.family) ?? 0) + 1)
      return Math.max(...counts.values()) - Math.min(...counts.values())
    })
    expect(Math.max(...uneven)).toBeLessThanOrEqual(1)
  })

  it('gives what somebody needs first, where nothing else suffers', () => {
    const at = stations(['a1', 'b1', 'c1', 'd1'])
    const who: Group[] = [
      { name: 'one', needs: ['c'] },
      { name: 'two', needs: ['a'] },
    ]
    const { seats, broken } = rotate(at, who, 4)
    expect(broken).toEqual([])
    expect(at[seats[0]![0]!]!.family).toBe('c')
    expect(at[seats[1]![0]!]!.family).toBe('a')
  })

  it('that cannot be done says what it breaks', () => {
    const { best, broken } = rotate(stations(['a1', 'a1']), groups(2), 3)
    expect(best).toBe(false)
    expect(new Set(broken.map(({ why }) => why.code))).toEqual(new Set(['lab.twice', 'lab.neighbours']))
    expect(rotate(stations(['a1']), groups(2), 1).broken.map(({ why }) => why.code)).toEqual(['lab.nowhere'])
    expect(rotate([], groups(1), 1).broken).toHaveLength(1)
    expect(rotate(stations(['a1']), [], 3)).toMatchObject({ seats: [], broken: [] })
  })

  it('lights up what a hand has spoilt', () => {
    const at = stations(['a1', 'b1', 'c1'])
    const good: Seats = [
      [0, 1],
      [1, 2],
    ]
    expect(brokenRules(at, groups(2), good)).toEqual([])
    const codes = (seats: Seats) =>
      brokenRules(at, groups(2), seats).map(({ why, round }) => `${why.code} ${round}`)
    expect(codes([[0, 0], good[1]!])).toEqual(['lab.twice 1'])
    expect(codes([[0, 2], good[1]!])).toEqual(['lab.double 1'])
    expect(codes([[0, -1], good[1]!])).toEqual(['lab.nowhere 1'])
  })

  it('never seats two at one bench, nor counts less than can be, whatever it is given', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('a1', 'a2', 'b1', 'b2', 'c1', 'd1'), { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 1, max: 7 }),
        fc.integer({ min: 1, max: 5 }),
        (tasks, people, rounds) => {
          const at = stations(tasks)
          const { seats, broken } = rotate(at, groups(people), rounds, { tries: 300 })
          expect(broken.filter(({ why }) => why.code === 'lab.double')).toEqual([])
          const distinct = new Set(tasks).size
          expect(leastUneven(at, rounds)).toBeLessThanOrEqual(Math.min(rounds, distinct) ** 2)
          expect(seats.every((row) => row.length === rounds)).toBe(true)
        },
      ),
      drawn(60),
    )
  })
})
