import type { z } from 'zod'
import { say } from '../../core/document'
import {
  type ClassList,
  type RosterDone,
  type RosterPlan,
  type rosterSchema,
  type User,
} from '../../contract'
import { guessColumns, isOneRoster, readOneRoster, readPlain, type Roster } from '../../core/lab'
import type { Database, Queries } from '../database'
import { hashMany } from '../accounts/password-threads'
import { HttpError } from '../http/http-error'
import { addFromRoster, madeUp, renameStudent } from '../accounts/users'

/** All classes with their people, those that this instructor teaches first. */
export const listClasses = (db: Queries, { id }: Pick<User, 'id'>): Promise<ClassList> =>
  db.query(
    `select c.id, c.name, c.term,
       exists (select 1 from class_instructors i where i.class_id = c.id and i.user_id = $1) as own,
       (select coalesce(json_agg(json_build_object('id', u.id, 'name', u.name, 'login', u.login) order by u.name), '[]')
        from class_members m join users u on u.id = m.user_id where m.class_id = c.id) as members
     from classes c order by own desc, c.term desc, c.name`,
    [id],
  )

/** Whoever makes a class teaches it. @throws HttpError 409 */
export const addClass = (
  database: Database,
  name: string,
  term: string,
  instructor: Pick<User, 'id'>,
): Promise<string> =>
  database.transaction(async (db) => {
    const [row] = await db.query<{ id: string }>(
      'insert into classes (name, term) values ($1, $2) on conflict (name, term) do nothing returning id',
      [name, term],
    )
    if (!row) throw new HttpError(409, say('school.classThere', { name }))
    await setTeaching(db, row.id, instructor, true)
    return row.id
  })

/** Whether an instructor teaches a class: own classes come first where one is chosen. */
export const setTeaching = (
  db: Queries,
  id: string,
  instructor: Pick<User, 'id'>,
  teaches: boolean,
): Promise<unknown[]> =>
  db.query(
    teaches
      ? 'insert into class_instructors (class_id, user_id) values ($1, $2) on conflict do nothing'
      : 'delete from class_instructors where class_id = $1 and user_id = $2',
    [id, instructor.id],
  )

export const removeClass = (db: Queries, id: string): Promise<unknown[]> =>
  db.query('delete from classes where id = $1', [id])

/** Takes somebody out of all classes. */
export const leaveClasses = (tx: Queries, student: string): Promise<unknown[]> =>
  tx.query('delete from class_members where user_id = $1', [student])

export async function setMember(db: Queries, id: string, student: string, there: boolean): Promise<void> {
  const [known] = await db.query(
    `select 1 from classes c, users u where c.id = $1 and u.id = $2 and u.role = 'student'`,
    [id, student],
  )
  if (!known) throw new HttpError(404, say('school.noPerson'))
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
type Person = Roster['people'][number]
type Asked = z.output<typeof rosterSchema>

/** What is to become of one person of a roster. */
type Fate =
  | { readonly type: 'new'; readonly login: string }
  | { readonly type: 'known' | 'question'; readonly account: Known }
  | { readonly type: 'skipped' | 'instructor'; readonly account: Known }

/** How the people and classes of a roster meet those that are there. */
async function match(db: Queries, roster: Roster, answers: Asked['answers']) {
  const people = await db.query<Known>('select id, login, name, role, sourced from users')
  const bySource = new Map(people.flatMap((p) => (p.sourced ? [[p.sourced, p] as const] : [])))
  const byLogin = new Map(people.map((p) => [p.login, p]))
  const classes = await db.query<{ id: string; name: string; sourced: string | null }>(
    'select id, name, sourced from classes',
  )
  const wanted = new Set(roster.people.map(({ login }) => login))
  /** A sign-in name that nobody has, here or in the roster. */
  const freeLogin = (login: string): string => {
    for (let n = 2; ; n++) {
      const free = `${login.slice(0, 36)}-${n}`
      if (!byLogin.has(free) && !wanted.has(free)) return free
    }
  }
  const fateOf = (one: Person): Fate => {
    const bySourced = one.sourced ? bySource.get(one.sourced) : undefined
    const account = bySourced ?? byLogin.get(one.login)
    if (!account) return { type: 'new', login: one.login }
    if (account.role !== 'student') return { type: 'instructor', account }
    // The other system's own number, or name and sign-in name alike, tell a person; a sign-in name alone does not: it may
    // have been given to somebody new.
    const same = bySourced !== undefined || (!one.sourced && account.name === one.name)
    if (same) return { type: 'known', account }
    switch (answers[one.login]) {
      case 'same':
        return { type: 'known', account }
      case 'other':
        return { type: 'new', login: freeLogin(one.login) }
      case 'skip':
        return { type: 'skipped', account }
      default:
        return { type: 'question', account }
    }
  }
  return {
    fateOf,
    group: ({ sourced, name }: Roster['classes'][number]) =>
      classes.find((c) => sourced !== undefined && c.sourced === sourced) ??
      // A class of the same name that another system calls something else is another class.
      classes.find((c) => c.name === name && (c.sourced === null || sourced === undefined)),
    takenNames: new Set(classes.map(({ name }) => name)),
  }
}

/** What an import would change. A sign-in name that is an instructor's is a problem, and stays theirs. */
export async function planRoster(db: Queries, asked: Asked): Promise<RosterPlan> {
  const roster = rosterOf(asked)
  const { fateOf, group } = await match(db, roster, asked.answers)
  const fates = roster.people.map((one) => ({ one, fate: fateOf(one) }))
  return {
    people: fates.flatMap(({ one, fate }): RosterPlan['people'] => {
      if (fate.type === 'instructor') return []
      const { name: called, login: given } = one
      if (fate.type === 'new') return [{ name: called, given, login: fate.login, what: 'new', was: '' }]
      const { login, name } = fate.account
      const what = fate.type !== 'known' ? fate.type : name === one.name ? 'same' : 'renamed'
      return [{ name: called, given, login, what, was: name }]
    }),
    classes: roster.classes.map((one) => ({
      name: one.name,
      what: group(one) ? 'same' : 'new',
      joins: roster.members.filter((m) => m.class === one.key).length,
    })),
    problems: [
      ...roster.problems,
      ...fates.flatMap(({ one: { login }, fate }) =>
        fate.type === 'instructor' ? [{ where: login, ...say('school.loginTaken', { login }) }] : [],
      ),
    ],
  }
}

/**
 * Does what the plan says, all of it or nothing. New people get a password that is told once.
 * @param onProgress how many of the new passwords are made, and of how many: that is what takes its time
 */
export async function importRoster(
  database: Database,
  asked: Asked,
  onProgress: (done: number, of: number) => void = () => undefined,
): Promise<RosterDone> {
  const roster = rosterOf(asked)
  const before = await match(database, roster, asked.answers)
  // Slow work comes before the transaction, not in it.
  const fresh = roster.people.filter((one) => before.fateOf(one).type === 'new')
  const made = fresh.map(() => madeUp())
  const hashes = await hashMany(made, onProgress)
  const passwords = new Map(
    fresh.map(({ key }, i) => [key, { password: made[i]!, hash: hashes[i]! }] as const),
  )
  return database.transaction(async (db) => {
    const { fateOf, group, takenNames } = await match(db, roster, asked.answers)
    const ids = new Map<string, string>()
    const added: RosterDone['added'] = []
    let renamed = 0
    for (const one of roster.people) {
      const fate = fateOf(one)
      if (fate.type === 'known') {
        const { account } = fate
        ids.set(one.key, account.id)
        if (account.name !== one.name) renamed++
        await renameStudent(db, account.id, one.name, one.sourced)
      } else if (fate.type === 'new') {
        const made = passwords.get(one.key)
        // Somebody else has changed the school meanwhile.
        if (!made) throw new HttpError(409, say('school.tooBusy'))
        ids.set(one.key, await addFromRoster(db, fate.login, one.name, one.sourced, made.hash))
        added.push({ name: one.name, login: fate.login, password: made.password })
      }
    }
    let joined = 0
    for (const one of roster.classes) {
      let id = group(one)?.id
      if (!id) {
        let name = one.name
        for (let n = 2; takenNames.has(name); n++) name = `${one.name.slice(0, 74)} (${n})`
        takenNames.add(name)
        const [made] = await db.query<{ id: string }>(
          'insert into classes (name, sourced) values ($1, $2) returning id',
          [name, one.sourced ?? null],
        )
        id = made!.id
      }
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
