import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { judgedOtherwise } from '../../../demo/term/check'
import { passwords, startSchool, type School } from '../../../test/school'
import {
  deskListSchema,
  floorSchema,
  ledgerSchema,
  ledgerStudentsSchema,
  orderListSchema,
} from '../../contract'
import { nearDaysSchema } from '../../contract/days'
import { setProgressSchema } from '../../contract/drills'
import { reteachSchema } from '../../contract/ideas'
import type { Fit } from '../../core/learning'
import type { Queries } from '../database'
import { Difficulties } from '../learning/difficulties'
import type { FitTask } from '../workers/tasks'
import { demoTerm } from './term'
import { daysOfTerm } from './term-days'

describe('the demo term', () => {
  let school: School
  const counted = async (sql: string) => {
    const [row] = await school.database.query<{ count: number }>(`select count(*)::int as count from ${sql}`)
    return row!.count
  }
  beforeAll(async () => {
    school = await startSchool({ term: true })
  })
  afterAll(() => school.close())

  it('has two classes, three hundred judged attempts, and work that waits for a review', async () => {
    expect(await counted(`users where role = 'student'`)).toBe(24)
    expect(await counted('class_members')).toBe(24)
    expect(await counted('current_results')).toBe(300)
    expect(await counted('judgements')).toBe(300)
    expect(await counted(`replies where body <> ''`)).toBe(3)
    const orla = await school.signedIn('orla', passwords.orla)
    const waiting = orderListSchema.parse((await orla.get('/api/orders?state=waiting').expect(200)).body)
    expect(waiting.count).toBe(6)
    expect(waiting.rows.every(({ mark }) => mark !== null)).toBe(true)
    const [raised] = await school.database.query<{ mark: number; total: number; most: number }>(
      'select r.mark, r.total, r.most from overrides o join current_results r using (work_order_id)',
    )
    expect(raised!.mark).toBeGreaterThan((100 * raised!.total) / raised!.most)
  })

  it('has drilled: every student by themselves, some what their class was set', async () => {
    expect(await counted('(select distinct user_id from drill_items) d')).toBe(24)
    expect(
      await counted('drill_items where answered_at is null or answered_at > now() or share is null'),
    ).toBe(0)
    expect(await counted('misbelief_evidence where item_id is not null and shown > 0')).toBeGreaterThan(5)
    const orla = await school.signedIn('orla', passwords.orla)
    // Wrong ideas that are sure enough to be named, in both classes.
    const ideas = reteachSchema.parse((await orla.get('/api/ideas/reteach').expect(200)).body)
    expect(ideas.length).toBeGreaterThan(3)
    const sets = setProgressSchema.parse((await orla.get('/api/drills/sets').expect(200)).body)
    expect(sets).toHaveLength(2)
    for (const { items, students } of sets) {
      const done = students.map((one) => one.done)
      expect(Math.max(...done)).toBe(items)
      expect(Math.min(...done)).toBe(0)
    }
  })

  it('is read for the fit page by page, each attempt once, though many were finished at the same moment', async () => {
    const read = async (page: number, db: Queries = school.database) => {
      const tasks: FitTask[] = []
      const fit = (task: FitTask) => (tasks.push(task), Promise.resolve({ faults: [], abilities: [] } as Fit))
      const difficulties = new Difficulties(db, { fit }, page)
      await difficulties.now()
      await difficulties.idle()
      const { count, students, faults, responses } = tasks[0]!
      return { count, students, faults, right: responses.right.reduce((sum, one) => sum + one, 0) }
    }
    const whole = await read(2000)
    expect(whole.count).toBe(300)
    expect(await read(7)).toEqual(whole)
    const undone = school.database.transaction(async (tx) => {
      await tx.query(`update attempt_results set concluded_at = date_trunc('week', concluded_at)`)
      expect(await read(7, tx)).toEqual(whole)
      throw new Error('as it was')
    })
    await expect(undone).rejects.toThrow('as it was')
  })

  it('lies in the past, in order, and ends with a round that goes on', async () => {
    expect(
      await counted('current_orders where created_at > now() or concluded_at > now() or released_at > now()'),
    ).toBe(0)
    expect(
      await counted('current_orders where concluded_at < started_at or released_at < concluded_at'),
    ).toBe(0)
    expect(
      await counted(`steps s join current_orders o on o.id = s.work_order_id
        where s.at < o.created_at or s.at > now() or s.at > o.concluded_at + interval '30 minutes'`),
    ).toBe(0)
    const orla = await school.signedIn('orla', passwords.orla)
    const near = nearDaysSchema.parse((await orla.get('/api/days/near').expect(200)).body)
    expect(near).toMatchObject([{ stations: 12, rounds: 2, out: 2 }])
    const floor = floorSchema.parse((await orla.get('/api/floor').expect(200)).body)
    const open = floor.rows.filter(({ concluded }) => concluded === null)
    expect(open).toHaveLength(12)
    expect(open.filter(({ began }) => began === null)).toHaveLength(2)
    // The curve of suspects is there before anybody has judged anything anew.
    expect(open.filter(({ left }) => (left?.length ?? 0) > 1).length).toBeGreaterThan(7)
  })

  it('gives each student of the printed sign-ins something to do, and nothing away', async () => {
    for (const login of ['tam', 'idris', 'maeve'] as const) {
      const one = await school.signedIn(login, passwords[login])
      const { body } = (await one.get('/api/desk').expect(200)) as { body: unknown }
      const list = deskListSchema.parse(body)
      expect(list.rows.filter(({ released }) => released !== null).length).toBeGreaterThan(5)
      expect(list.rows.some(({ concluded, released }) => concluded === null || released !== null)).toBe(true)
      expect(JSON.stringify(body)).not.toMatch(/faults|planted|severity/)
    }
  })

  it('shows who grew: records with figures in all of their parts', async () => {
    const orla = await school.signedIn('orla', passwords.orla)
    const students = ledgerStudentsSchema.parse((await orla.get('/api/ledger/students').expect(200)).body)
    expect(students.rows).toHaveLength(24)
    const means = students.rows.map(({ mean }) => mean!)
    expect(Math.max(...means) - Math.min(...means)).toBeGreaterThan(30)
    const ledger = ledgerSchema.parse((await orla.get('/api/ledger').expect(200)).body)
    expect(ledger.faults.length).toBeGreaterThan(20)
    expect(ledger.reliability.length).toBeGreaterThan(2)
  })

  it('says how hard each fault has been, once that has been fitted behind the answer', async () => {
    const orla = await school.signedIn('orla', passwords.orla)
    const faults = await vi.waitFor(
      async () => {
        const { faults: now } = ledgerSchema.parse((await orla.get('/api/ledger').expect(200)).body)
        expect(now.filter(({ difficulty }) => difficulty !== null).length).toBeGreaterThan(15)
        return now
      },
      { timeout: 30_000, interval: 300 },
    )
    const known = faults.filter(({ difficulty }) => difficulty !== null)
    // What few find is harder than what nearly all find.
    const byFound = known.toSorted((p, q) => p.found / p.attempts - q.found / q.attempts)
    expect(byFound[0]!.difficulty!).toBeGreaterThan(byFound.at(-1)!.difficulty! + 1)
    expect(known.every(({ spread }) => spread! > 0 && spread! < 2)).toBe(true)
  })

  it('is judged as the judge judges now', () => {
    expect(judgedOtherwise(3)).toEqual([])
  }, 120_000)
})

describe('the days of the term', () => {
  const term = demoTerm()
  it.each([
    ['a Monday morning', new Date(2026, 10, 30, 8, 12)],
    ['a Sunday just after midnight', new Date(2026, 10, 29, 0, 20)],
    ['a Saturday night', new Date(2027, 1, 27, 23, 50)],
  ])('end on %s, and were on working days before', (_, now) => {
    const days = daysOfTerm(term, now.getTime())
    const today = days.find((day) => day.today)!
    expect(new Date(`${today.date}T12:00`).toDateString()).toBe(now.toDateString())
    expect(today.roundBegins(1)).toBeLessThan(now.getTime())
    for (const day of days) {
      expect(day.released).toBeLessThan(now.getTime())
      if (day.today || day.yesterday) continue
      expect([1, 2, 3, 4, 5], day.date).toContain(new Date(`${day.date}T12:00`).getDay())
    }
    // A class is there once a week.
    for (const one of [0, 1]) {
      const dates = days.filter((day) => day.class === one).map(({ date }) => date)
      expect(new Set(dates).size).toBe(dates.length)
    }
  })
})
