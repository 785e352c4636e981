import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { DayBody } from '../../../contract'
import { useDay } from './useDay'

const uuid = (n: number) => `6f9619ff-8b86-4d01-b42d-00cf4fc964f${n}`
const lesson = (n: number, kind: string) => ({
  id: uuid(n),
  name: `Lesson ${n}`,
  folder: '',
  version: 1,
  circuit: 'Work lamp',
  vehicle: 'van',
  sets: ['one'],
  kinds: [kind],
  difficulties: null,
  mode: 'test',
  updated: '2026-11-26T09:00:00Z',
})
const student = (n: number) => ({ id: uuid(n), login: `s${n}`, name: `Student ${n}`, role: 'student' })

describe('a lab day', () => {
  let body: DayBody
  let revision: number
  let puts: { revision: number; body: DayBody; name: string }[]
  let fail: boolean
  beforeEach(() => {
    revision = 1
    puts = []
    fail = false
    body = {
      start: '08:00',
      minutes: 30,
      rounds: 2,
      stands: [
        { name: 'Bench 1', real: false, lesson: uuid(1), set: 0, checked: [] },
        { name: 'Bench 2', real: false, lesson: uuid(2), set: 0, checked: [] },
      ],
      groups: [[uuid(5)], [uuid(6)]],
      seats: [],
      out: [],
    }
    const day = () => ({
      id: uuid(0),
      name: 'Thursday',
      day: '2026-11-26',
      class: null,
      revision,
      word: 'amber',
      body,
    })
    vi.stubGlobal(
      'fetch',
      (url: string, { method = 'GET', body: text }: { method?: string; body?: string } = {}) => {
        const answer = (value: unknown, status = 200) =>
          Promise.resolve(new Response(JSON.stringify(value), { status }))
        if (url.endsWith('/lessons')) return answer([lesson(1, 'open'), lesson(2, 'highResistance')])
        if (url.endsWith('/students')) return answer([student(5), student(6)])
        if (url.includes('/ledger/')) return answer({}, 500)
        if (method !== 'PUT') return answer(day())
        if (fail) return answer({ message: { code: 'changedMeanwhile' } }, 409)
        const put = JSON.parse(text!) as (typeof puts)[number]
        puts.push(put)
        body = put.body
        revision++
        return answer(day())
      },
    )
  })

  it('seats nobody until it is turned; then each group is at another bench in each round, and it is saved', async () => {
    const day = await useDay(uuid(0))
    expect(day.groups.value.map(({ name }) => name)).toEqual(['Student 5', 'Student 6'])
    expect(day.seats.value).toEqual([
      [-1, -1],
      [-1, -1],
    ])
    await day.turn()
    for (const row of day.seats.value) expect([...row].sort()).toEqual([0, 1])
    for (const round of [0, 1]) expect(new Set(day.seats.value.map((row) => row[round])).size).toBe(2)
    expect(day.best.value).toBe(true)
    expect(day.broken.value).toEqual([])
    expect(puts).toHaveLength(1)
    expect(puts[0]!.body.seats).toEqual(day.seats.value)
  })

  it('lights up what a swap by hand breaks', async () => {
    const day = await useDay(uuid(0))
    await day.turn()
    await day.swap({ group: 0, round: 0 }, { group: 0, round: 1 })
    expect(day.broken.value.length).toBeGreaterThan(0)
    expect(day.best.value).toBe(null)
    await day.swap({ group: 0, round: 0 }, { group: 0, round: 1 })
    expect(day.broken.value).toEqual([])
  })

  it('sends changes one after the other, each on the revision that the one before has made', async () => {
    const day = await useDay(uuid(0))
    await Promise.all([
      day.change({ minutes: 20 }),
      day.change({ rounds: 1 }),
      day.change({}, { name: 'Friday' }),
    ])
    expect(puts.map((put) => put.revision)).toEqual([1, 2, 3])
    expect(puts.at(-1)).toMatchObject({ name: 'Friday', body: { minutes: 20, rounds: 1 } })
    expect(day.stored.value.revision).toBe(4)
  })

  it('shows what a colleague has made of it where its own change comes too late', async () => {
    const day = await useDay(uuid(0))
    body = { ...body, minutes: 45 }
    revision = 7
    fail = true
    await day.change({ minutes: 20 })
    expect(day.wrong.value).not.toBe('')
    expect(day.body.value.minutes).toBe(45)
    fail = false
    await day.change({ rounds: 1 })
    expect(day.wrong.value).toBe('')
    expect(puts.at(-1)).toMatchObject({ revision: 7, body: { minutes: 45, rounds: 1 } })
  })

  it('names who has left as such', async () => {
    body.groups = [[uuid(9)], [uuid(5), uuid(6)]]
    const day = await useDay(uuid(0))
    expect(day.groups.value.map(({ name }) => name)).toEqual(['somebody who left', 'Student 5 and Student 6'])
  })
})
