import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { startPostgres } from '../../test/postgres.mjs'
import { emptyDatabase, passwords, startSchool, type School } from '../../test/school'
import { BackupTrouble, exportSchool, importSchool } from './backup'
import { openDatabase, type Database } from './database'

async function taken(db: Database): Promise<string[]> {
  const lines: string[] = []
  await exportSchool(db, new Date('2026-03-02T08:00:00Z'), (line) => {
    lines.push(line.trimEnd())
    return Promise.resolve()
  })
  return lines
}
async function* from(lines: readonly string[]): AsyncGenerator<string> {
  for (const line of lines) yield await Promise.resolve(line)
}
const empty = () => openDatabase({ image: emptyDatabase() })

describe('a backup', () => {
  let school: School
  let lines: string[]
  let order: string
  /** Whatever is refused leaves it as it is. */
  let db: Database

  beforeAll(async () => {
    school = await startSchool()
    db = await empty()
    const orla = await school.signedIn('orla', passwords.orla)
    const tam = await school.signedIn('tam', passwords.tam)
    const circuits = (await orla.get('/api/circuits')).body as { id: string; name: string }[]
    const students = (await orla.get('/api/students')).body as { id: string; login: string }[]
    const made = await orla
      .post('/api/orders')
      .send({
        circuit: circuits.find(({ name }) => /^Work lamp, street/.test(name))!.id,
        student: students.find(({ login }) => login === 'tam')!.id,
        complaint: 'The lamp at the back is “dim”; it was bright.',
        faults: [{ kind: 'highResistance', part: 'X2', segment: 'pin', severity: 2.25 }],
      })
      .expect(201)
    order = (made.body as { id: string }).id
    await tam
      .post(`/api/desk/${order}/steps`)
      .send({
        key: '5b0d4b9c-7c51-4b8f-9a1c-0f6f3d0f8a11',
        action: { type: 'operate', arrangement: { controls: { S1: 'closed' }, detached: [] } },
      })
      .expect(200)
    // Taken while the school is open and at work.
    const [backup] = await Promise.all([taken(school.database), orla.get('/api/circuits').expect(200)])
    lines = backup
  }, 90_000)
  afterAll(async () => {
    await db.close()
    await school.close()
  })

  it('that is restored has everything: the same again, sign-in and work included', async () => {
    const other = await startSchool({ demo: false })
    await importSchool(other.database, from(lines))
    expect(await taken(other.database)).toEqual(lines)
    const tam = await other.signedIn('tam', passwords.tam)
    const desk = (await tam.get(`/api/desk/${order}`).expect(200)).body as { steps: unknown[] }
    expect(desk.steps).toHaveLength(1)
    const orla = await other.signedIn('orla', passwords.orla)
    const review = (await orla.get(`/api/orders/${order}/review`).expect(200)).body
    expect(review).toMatchObject({
      faults: [{ severity: 2.25 }],
      complaint: expect.stringContaining('“dim”'),
    })
    await other.close()
  }, 60_000)

  it('takes a school over from the embedded database to a PostgreSQL server, and back', async () => {
    const postgres = startPostgres()
    try {
      const there = await openDatabase({ url: postgres.url })
      await importSchool(there, from(lines))
      const again = await taken(there)
      // The same rows; PostgreSQL keeps them in its own order.
      expect([...again].sort().slice(0, -1)).toEqual([...lines].sort().slice(0, -1))
      await there.close()
      const home = await empty()
      await importSchool(home, from(again))
      expect((await home.query('select 1 from steps')).length).toBe(1)
      await home.close()
    } finally {
      postgres.stop()
    }
  }, 90_000)

  it('carries no session, and no password in clear', () => {
    const text = lines.join('\n')
    for (const secret of [...Object.values(passwords), 'token_hash']) expect(text).not.toContain(secret)
  })

  it.each<[string, (lines: string[]) => string[], RegExp]>([
    ['breaks off', (all) => all.slice(0, -1), /breaks off/],
    ['lacks a row', (all) => [...all.slice(0, 3), ...all.slice(4)], /changed or damaged/],
    ['was changed', (all) => all.map((l) => l.replace('2.25', '9.99')), /changed or damaged/],
    ['is something else', () => ['{"format":"other"}'], /no backup of a school/],
    ['is no JSON', (all) => [all[0]!, '{'], /Line 2: this is no JSON/],
    ['has an unknown table', (all) => [all[0]!, '{"table":"pg_user","row":{}}'], /Line 2: a row of a table/],
    [
      'is of a newer program',
      (all) => [all[0]!.replace(/"schema":"\d+/, '"schema":"999'), ...all.slice(1)],
      /newer/,
    ],
    [
      'has a row that does not fit',
      (all) => [all[0]!, '{"table":"users","row":{"id":"x"}}'],
      /Line 2: this row of users/,
    ],
  ])('that %s is refused, and leaves the database empty', async (_, spoil, why) => {
    const failure = await importSchool(db, from(spoil([...lines]))).catch((error: unknown) => error)
    expect(failure).toBeInstanceOf(BackupTrouble)
    expect((failure as Error).message).toMatch(why)
    expect(await db.query('select 1 from users')).toEqual([])
  })

  it('is not taken into a school that is there', async () => {
    await expect(importSchool(school.database, from(lines))).rejects.toThrow(/already/)
  })
})
