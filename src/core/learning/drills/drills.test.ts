import { readdirSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../../test/demo'
import { solveBoard, aftermath, segmentAmps } from '../../board'
import { findPieces, wireUp } from '../../model'
import { partOfKind } from '../../parts'
import { readVolts, workshopMeter } from '../../instruments'
import { tell } from '../../words'
import { DrillBench } from './bench'
import { Draw } from './draw'
import type { Item } from './item'
import { judgeItem } from './judge'
import { makeItem } from './make'
import { drillLevels, nextDrill, type Answered } from './progress'
import { drillKeys } from './registry'

const names = readdirSync(new URL('../../../../demo/circuits/', import.meta.url)).map((file) =>
  file.replace('.json', ''),
)
const benches = names.map((name) => new DrillBench(demoCircuit(name)))
const stateOf = ({ circuit }: DrillBench, { state, detached }: Item) => ({
  ...circuit.states.find(({ id }) => id === state)!,
  detached: [...detached],
})

describe('items of drills', () => {
  const all = benches.flatMap((bench, b) =>
    drillKeys.flatMap((kind, k) =>
      [1, 2].flatMap((seed) => {
        const item = makeItem(bench, kind, 977 * seed + 31 * b + k)
        return item ? [{ bench, item }] : []
      }),
    ),
  )

  it('are made of every demo circuit, of every kind, and are the same from the same seed', () => {
    for (const kind of drillKeys)
      expect(all.filter(({ item }) => item.kind === kind).length).toBeGreaterThan(1.5 * names.length)
    for (const kind of drillKeys) {
      const [first, second] = [0, 0].map(() => makeItem(new DrillBench(demoCircuit()), kind, 5))
      expect(first).toEqual(second)
    }
  })

  it('have one right answer, all answers different as they are read', () => {
    for (const { item } of all) {
      if (item.answer.type !== 'choice') continue
      const { options } = item.answer
      expect(options.filter(({ right }) => right)).toHaveLength(1)
      expect(new Set(options.map(({ says }) => tell(says))).size).toBe(options.length)
      expect(options.length).toBeGreaterThan(2)
    }
  })

  it('predict what a voltmeter shows on that board', () => {
    for (const { bench, item } of all.filter(({ item: { kind } }) => kind === 'predict')) {
      const { circuit } = bench
      const board = solveBoard(circuit, [], stateOf(bench, item), { blown: aftermath(circuit, []) })
      const [red, black] = item.leads!.map((name) => wireUp(circuit).find(name)!.node) as [number, number]
      if (!board.ok || item.answer.type !== 'value') throw new Error('no board')
      expect(readVolts(board, red, black, workshopMeter).value).toBe(item.answer.value)
      // What a wrong idea makes of it is no right answer.
      for (const { value, within } of item.answer.lures)
        expect(Math.abs(value - item.answer.value)).toBeGreaterThan(Math.min(within, item.answer.within))
    }
  })

  it('clear the right piece at every size, and leave each of the others a fault that reads the same', () => {
    const asked = all.filter(({ item: { kind } }) => kind === 'clears').slice(0, 12)
    expect(asked.length).toBeGreaterThan(8)
    for (const { bench, item } of asked) {
      const { circuit } = bench
      if (item.answer.type !== 'choice') throw new Error('no choice')
      const shown = item.given[0]!.params!.value as { shown: string }
      const [red, black] = item.leads!.map((name) => wireUp(circuit).find(name)!.node) as [number, number]
      const right = tell(item.answer.options.find((one) => one.right)!.says)
      const volts = (kind: 'open' | 'highResistance', severity: number) =>
        findPieces(circuit, right).flatMap(({ part, unit }) =>
          unit.segments.flatMap((segment) => {
            const fault = { kind, part, segment, ...(kind === 'open' ? {} : { severity }) } as const
            const board = solveBoard(circuit, [fault], stateOf(bench, item), {
              blown: aftermath(circuit, [fault]),
            })
            return board.ok ? [readVolts(board, red, black, workshopMeter).text] : []
          }),
        )
      for (const ohms of [0.3, 1, 3, 10, 100])
        expect(volts('highResistance', ohms)).not.toContain(shown.shown)
      for (const { right: is, why } of item.answer.options)
        if (!is) expect(why?.code).toBe('learning.drills.clears.but')
    }
  })

  it('say of parts only what the board does: the right one carries current, the others none', () => {
    const asked = all.filter(({ item }) => item.asks.code === 'learning.drills.drawing.passes')
    expect(asked.length).toBeGreaterThan(4)
    for (const { bench, item } of asked) {
      const board = bench.board(stateOf(bench, item))!
      if (item.answer.type !== 'choice') throw new Error('no choice')
      for (const { says, right } of item.answer.options) {
        const part = bench.circuit.parts.find(({ id }) => id === tell(says))!
        const most = Math.max(
          ...partOfKind(part.kind).segments.map(({ key }) =>
            Math.abs(segmentAmps(board.board, board.point, part.id, key)),
          ),
        )
        if (right) expect(most).toBeGreaterThan(0.02)
        else expect(most).toBeLessThan(0.005)
      }
    }
  })

  it('are judged: right, near, wrong, and what a wrong idea would say', () => {
    const { item } = all.find(
      ({ item: { kind, answer } }) =>
        kind === 'predict' && answer.type === 'value' && answer.lures.length > 0,
    )!
    if (item.answer.type !== 'value') throw new Error('no value')
    const { value, within, lures } = item.answer
    expect(judgeItem(item, { type: 'value', value: value + 0.9 * within })).toMatchObject({
      share: 1,
      right: true,
    })
    const lured = judgeItem(item, { type: 'value', value: lures[0]!.value })
    expect(lured.right).toBe(false)
    expect(lured.ideas).toContainEqual({ misbelief: lures[0]!.misbelief, shown: true })
    expect(() => judgeItem(item, { type: 'choice', option: 0 })).toThrow(RangeError)
    const choice = all.find(({ item: { kind } }) => kind === 'unsafe')!.item
    expect(() => judgeItem(choice, { type: 'choice', option: 9 })).toThrow(RangeError)
  })
})

describe('what comes next', () => {
  const now = 1_800_000_000_000
  const day = 86_400_000
  const right = (kind: Answered['kind'], at: number, share = 1): Answered => ({
    kind,
    difficulty: 0,
    share,
    at,
  })

  it('begins knowing nothing, grows surer with answers, and forgets', () => {
    const [fresh] = drillLevels([], now)
    expect(fresh).toMatchObject({ answers: 0, due: null })
    expect(fresh!.ability).toBeCloseTo(0)
    const many = drillLevels(
      Array.from({ length: 10 }, () => right('drawing', now)),
      now,
    )[0]!
    expect(many.ability).toBeGreaterThan(1)
    expect(many.spread).toBeLessThan(fresh!.spread)
    const old = drillLevels(
      Array.from({ length: 10 }, () => right('drawing', now - 90 * day)),
      now,
    )[0]!
    expect(old.ability).toBeLessThan(many.ability)
    expect(old.spread).toBeGreaterThan(many.spread)
  })
  it('brings back what was missed: now, after a day, after three, after a week, and then no more', () => {
    const missed = [right('limits', now, 0)]
    const dueAfter = (n: number) =>
      drillLevels([...missed, ...Array.from({ length: n }, () => right('limits', now))], now).find(
        ({ kind }) => kind === 'limits',
      )!.due
    expect([0, 1, 2, 3, 4].map(dueAfter)).toEqual([now, now + day, now + 3 * day, now + 7 * day, null])
    const levels = drillLevels([...missed], now)
    expect(nextDrill(levels, ['drawing', 'predict'], now, new Draw(1)).kind).toBe('limits')
    expect(nextDrill(levels, ['limits'], now, new Draw(1)).kind).not.toBe('limits')
  })
  it('asks for what is right three times in four: ln 3 logits under the ability', () => {
    const levels = drillLevels([], now)
    expect(nextDrill(levels, [], now, new Draw(3)).difficulty).toBeCloseTo(-Math.log(3))
    expect(nextDrill(levels, ['limits'], now, new Draw(3), ['limits']).kind).toBe('limits')
  })
})
