import papaparse from 'papaparse'
import { type Problem, say } from '../document'

/** A file as it was chosen: its name and its text. */
export interface RosterFile {
  readonly name: string
  readonly text: string
}
export interface RosterPerson {
  /** The key that the file itself uses: a sourcedId, or the row. */
  readonly key: string
  readonly sourced?: string
  readonly name: string
  readonly login: string
}
export interface RosterClass {
  readonly key: string
  readonly sourced?: string
  readonly name: string
}
/** What a roster asks for; rows that cannot be taken are problems, and keep nobody else out. */
export interface Roster {
  readonly people: readonly RosterPerson[]
  readonly classes: readonly RosterClass[]
  readonly members: readonly { readonly class: string; readonly person: string }[]
  readonly problems: readonly Problem[]
}

/** Which column holds what; −1 where none does. */
export interface Columns {
  readonly name: number
  readonly given: number
  readonly family: number
  readonly login: number
  readonly class: number
}

type Row = Readonly<Record<string, string>>

/** The byte order mark that spreadsheets write. */
const bare = (text: string): string => text.replace(/^\uFEFF/, '')
const rowsOf = (text: string): Row[] =>
  papaparse.parse<Row>(bare(text), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (h) => h.trim(),
  }).data
const cellsOf = (text: string): string[][] =>
  papaparse
    .parse<string[]>(bare(text), { skipEmptyLines: 'greedy' })
    .data.map((row) => row.map((cell) => cell.trim()))

const loginShape = /^[a-z0-9][a-z0-9.-]{1,39}$/
/** A sign-in name out of a person's own: “Tam Pellow” → `tam.pellow`. */
export const loginFrom = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/ß/g, 'ss')
    .replace(/[^a-z0-9]+/g, '.')
    .replace(/^\.+|\.+$/g, '')
    .slice(0, 40)

/** Files of a OneRoster CSV set (1EdTech OneRoster 1.1 and 1.2, CSV tables; from memory) that are read; others are passed over. */
const known = ['users.csv', 'classes.csv', 'enrollments.csv', 'roles.csv']
const passedOver =
  /^(manifest|orgs|academicSessions|courses|demographics|lineItems|results|categories|resources|userProfiles|userResources|classResources|courseResources|lineItemLearningObjectiveIds|lineItemScoreScales|resultLearningObjectiveIds|resultScoreScales|scoreScales)\.csv$/i

/** Whether files are a OneRoster set: one is `users.csv` with the column `sourcedId`. */
export const isOneRoster = (files: readonly RosterFile[]): boolean =>
  files.some(({ name, text }) => /^users\.csv$/i.test(name) && /sourcedId/i.test(text.slice(0, 200)))

const active = (row: Row): boolean =>
  !/^tobedeleted$/i.test(row.status ?? '') && !/^false$/i.test(row.enabledUser ?? '')

/** A set of OneRoster files, 1.1 or 1.2: in 1.2 the roles stand in a file of their own. */
export function readOneRoster(files: readonly RosterFile[]): Roster {
  const problems: Problem[] = []
  const of = (name: string): Row[] => {
    const file = files.find((f) => f.name.toLowerCase() === name)
    return file ? rowsOf(file.text) : []
  }
  for (const { name } of files)
    if (!known.includes(name.toLowerCase()) && !passedOver.test(name))
      problems.push({ where: name, ...say('lab.fileUnknown', { name, known }) })
  const roles = new Map(of('roles.csv').map((row) => [row.userSourcedId ?? '', row.role ?? '']))
  const people: RosterPerson[] = []
  const taken = new Set<string>()
  const numbers = new Set<string>()
  of('users.csv').forEach((row, i) => {
    if (!active(row)) return
    const where = `users.csv ${i + 2}`
    const role = (row.role ?? roles.get(row.sourcedId ?? '') ?? '').toLowerCase()
    if (role !== 'student') {
      if (role && !/teacher|administrator|aide|parent|guardian|proctor|relative/.test(role))
        problems.push({ where, ...say('lab.rowRole', { row: i + 2, role }) })
      return
    }
    const name = `${row.givenName ?? ''} ${row.familyName ?? ''}`.trim()
    const sourced = row.sourcedId?.trim() ?? ''
    if (sourced && numbers.has(sourced)) {
      problems.push({ where, ...say('lab.rowTwice', { row: i + 2, login: sourced }) })
      return
    }
    numbers.add(sourced)
    const person = personOf(where, i + 2, name, row.username ?? '', taken, problems)
    if (person)
      people.push({
        ...person,
        key: sourced || where,
        ...(sourced && { sourced: sourced.slice(0, 200) }),
      })
  })
  const groups = new Set<string>()
  const classes = of('classes.csv').flatMap((row, i): RosterClass[] => {
    const name = (row.title ?? row.classCode ?? '').trim().slice(0, 80)
    const sourced = row.sourcedId?.trim() ?? ''
    if (!active(row) || !name || !sourced) return []
    if (groups.has(sourced)) {
      problems.push({ where: `classes.csv ${i + 2}`, ...say('lab.rowTwice', { row: i + 2, login: sourced }) })
      return []
    }
    groups.add(sourced)
    return [{ key: sourced, sourced, name }]
  })
  const there = { people: new Set(people.map((p) => p.key)), classes: new Set(classes.map((c) => c.key)) }
  const members = of('enrollments.csv').flatMap((row) => {
    const [person, group] = [row.userSourcedId ?? '', row.classSourcedId ?? '']
    return active(row) && there.people.has(person) && there.classes.has(group)
      ? [{ class: group, person }]
      : []
  })
  return { people, classes, members, problems }
}

function personOf(
  where: string,
  row: number,
  name: string,
  given: string,
  taken: Set<string>,
  problems: Problem[],
): Pick<RosterPerson, 'name' | 'login'> | undefined {
  if (!name) {
    problems.push({ where, ...say('lab.rowName', { row }) })
    return undefined
  }
  const login = (given.trim() || loginFrom(name)).toLowerCase().replace(/@.*$/, '')
  if (!loginShape.test(login)) {
    problems.push({ where, ...say('lab.rowLogin', { row, login }) })
    return undefined
  }
  if (taken.has(login)) {
    problems.push({ where, ...say('lab.rowTwice', { row, login }) })
    return undefined
  }
  taken.add(login)
  return { name: name.slice(0, 80), login }
}

const heads: Readonly<Record<keyof Columns, RegExp>> = {
  name: /^(full ?name|name|student|learner|schüler(in)?)$/i,
  given: /^(given|first|fore|vor)[ -]?name$|^given$|^first$/i,
  family: /^(family|last|sur|nach)[ -]?name$|^surname$/i,
  login: /^(login|sign-?in( name)?|user ?name|user|email|e-mail)$/i,
  class: /^(class|group|course|klasse|gruppe)$/i,
}
/** What a plain table's columns seem to hold, by their heads. */
export function guessColumns(text: string): { heads: string[]; columns: Columns } {
  const [first = []] = cellsOf(text)
  const at = (key: keyof Columns) => first.findIndex((cell) => heads[key].test(cell))
  return {
    heads: first,
    columns: {
      name: at('name'),
      given: at('given'),
      family: at('family'),
      login: at('login'),
      class: at('class'),
    },
  }
}

/** A plain table with a head row: one student a row. */
export function readPlain({ name: file, text }: RosterFile, columns: Columns): Roster {
  const problems: Problem[] = []
  const [, ...rows] = cellsOf(text)
  if (columns.name < 0 && (columns.given < 0 || columns.family < 0))
    problems.push({ where: file, ...say('lab.noColumn') })
  else if (!rows.length) problems.push({ where: file, ...say('lab.noRows') })
  if (problems.length) return { people: [], classes: [], members: [], problems }
  const cell = (row: readonly string[], i: number) => (i >= 0 ? (row[i] ?? '') : '')
  const people: RosterPerson[] = []
  const classes = new Map<string, RosterClass>()
  const members: { class: string; person: string }[] = []
  const taken = new Set<string>()
  rows.forEach((row, i) => {
    const where = `${file} ${i + 2}`
    const name = cell(row, columns.name) || `${cell(row, columns.given)} ${cell(row, columns.family)}`.trim()
    const person = personOf(where, i + 2, name, cell(row, columns.login), taken, problems)
    if (!person) return
    people.push({ ...person, key: person.login })
    const group = cell(row, columns.class).slice(0, 80)
    if (!group) return
    classes.set(group, { key: group, name: group })
    members.push({ class: group, person: person.login })
  })
  return { people, classes: [...classes.values()], members, problems }
}
