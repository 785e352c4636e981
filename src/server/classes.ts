import type { z } from 'zod'
import { say, type ClassList, type RosterDone, type RosterPlan, type rosterSchema } from '../contract'
import { guessColumns, isOneRoster, readOneRoster, readPlain, type Roster } from '../core/lab'
import type { Database, Queries } from './database'
import { hashPassword } from './accounts/password-threads'
import { Refusal } from './refusal'
import { madeUp } from './accounts/users'

export const listClasses = (db: Queries): Promise<ClassList> =>
  db.query(
    `select c.id, c.name, c.term,
       (select coalesce(json_agg(json_build_object('id', u.id, 'name', u.name, 'login', u.login) order by u.name), '[]')
        from class_members m join users u on u.id = m.user_id where m.class_id = c.id) as members
     from classes c order by c.term desc, c.name limit 200`,
  )

export async function addClass(db: Queries, name: string, term: string): Promise<string> {
  const [row] = await db.query<{ id: string }>(
    'insert into classes (name, term) values ($1, $2) on conflict (name, term) do nothing returning id',
    [name, term],
  )
  if (!row) throw new Refusal(409, say('classThere', { name }))
  return row.id
}

export async function setMember(db: Queries, id: string, student: string, there: boolean): Promise<void> {
  const [known] = await db.query(
    `select 1 from classes c, users u where c.id = $1 and u.id = $2 and u.role = 'student'`,
    [id, student],
  )
  if (!known) throw new Refusal(404, say('noPerson'))
  await db.query(
    there
      ? 'insert into class_members (class_id, user_id) values ($1, $2) on conflict do nothing'
      : 'delete from class_members where class_id = $1 and user_id = $2',
    [id, student],
  )
}

function rosterOf({ files, columns }: z.output<typeof rosterSchema>): Roster {
  if (isOneRoster(files)) return readOneRoster(files)
  const [file] = files
  return readPlain(file!, columns ?? guessColumns(file!.text).columns)
}

interface Known {
  readonly id: string
  readonly login: string
  readonly name: string
  readonly role: string
  readonly sourced: string | null
}

/** Who of a roster is there already: by what the other system calls them, else by their sign-in name. */
async function match(db: Queries) {
  const people = await db.query<Known>('select id, login, name, role, sourced from users')
  const bySource = new Map(people.flatMap((p) => (p.sourced ? [[p.sourced, p] as const] : [])))
  const byLogin = new Map(people.map((p) => [p.login, p]))
  const classes = await db.query<{ id: string; name: string; sourced: string | null }>(
    'select id, name, sourced from classes',
  )
  return {
    person: ({ sourced, login }: Roster['people'][number]) =>
      (sourced ? bySource.get(sourced) : undefined) ?? byLogin.get(login),
    group: ({ sourced, name }: Roster['classes'][number]) =>
      classes.find((c) => (sourced ? c.sourced === sourced : false)) ?? classes.find((c) => c.name === name),
  }
}

/** What an import would change. A sign-in name that is an instructor's is a problem, and stays theirs. */
export async function planRoster(db: Queries, asked: z.output<typeof rosterSchema>): Promise<RosterPlan> {
  const roster = rosterOf(asked)
  const { person, group } = await match(db)
  return {
    people: roster.people.flatMap((one) => {
      const there = person(one)
      if (there && there.role !== 'student') return []
      const what = !there ? 'new' : there.name === one.name ? 'same' : 'renamed'
      return [{ name: one.name, login: there?.login ?? one.login, what, was: there?.name ?? '' } as const]
    }),
    classes: roster.classes.map((one) => ({
      name: one.name,
      what: group(one) ? 'same' : 'new',
      joins: roster.members.filter((m) => m.class === one.key).length,
    })),
    problems: [
      ...roster.problems,
      ...roster.people
        .filter((one) => person(one) && person(one)!.role !== 'student')
        .map(({ login }) => ({ where: login, ...say('loginTaken', { login }) })),
    ],
  }
}

/** Does what the plan says, all of it or nothing. New people get a password that is told once. */
export async function importRoster(
  database: Database,
  asked: z.output<typeof rosterSchema>,
): Promise<RosterDone> {
  const roster = rosterOf(asked)
  const passwords = new Map<string, { password: string; hash: string }>()
  const before = await match(database)
  // Slow work comes before the transaction, not in it.
  for (const one of roster.people)
    if (!before.person(one)) {
      const password = madeUp()
      passwords.set(one.key, { password, hash: await hashPassword(password) })
    }
  return database.transaction(async (db) => {
    const { person, group } = await match(db)
    const ids = new Map<string, string>()
    const added: RosterDone['added'] = []
    let renamed = 0
    for (const one of roster.people) {
      const there = person(one)
      if (there) {
        if (there.role !== 'student') continue
        ids.set(one.key, there.id)
        if (there.name !== one.name) renamed++
        await db.query('update users set name = $2, sourced = coalesce($3, sourced) where id = $1', [
          there.id,
          one.name,
          one.sourced ?? null,
        ])
        continue
      }
      const made = passwords.get(one.key)
      if (!made) throw new Refusal(409, say('tooBusy'))
      const [row] = await db.query<{ id: string }>(
        `insert into users (login, name, role, password_hash, must_change, sourced) values ($1, $2, 'student', $3, true, $4)
         returning id`,
        [one.login, one.name, made.hash, one.sourced ?? null],
      )
      ids.set(one.key, row!.id)
      added.push({ name: one.name, login: one.login, password: made.password })
    }
    let joined = 0
    for (const one of roster.classes) {
      let id = group(one)?.id
      if (!id)
        [{ id }] = (await db.query<{ id: string }>(
          'insert into classes (name, sourced) values ($1, $2) returning id',
          [one.name, one.sourced ?? null],
        )) as [{ id: string }]
      for (const member of roster.members.filter((m) => m.class === one.key)) {
        const student = ids.get(member.person)
        if (!student) continue
        const rows = await db.query(
          'insert into class_members (class_id, user_id) values ($1, $2) on conflict do nothing returning 1',
          [id, student],
        )
        joined += rows.length
      }
    }
    return { added, renamed, joined }
  })
}
