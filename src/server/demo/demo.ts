import { readdirSync, readFileSync } from 'node:fs'
import { z } from 'zod'
import { shelfSchema } from '../../contract'
import { tell } from '../../contract/words'
import { readCircuit } from '../../core/editing'
import { describeFault, readFaultSpec } from '../../core/faults'
import { lessonFormat, lessonVersion, type Lesson } from '../../core/lab'
import { addCircuit, savePlant, shelve } from '../circuits/circuits'
import { takeStartLock, type Database, type Queries } from '../database'
import { addLesson, admitLesson } from '../class/lessons'
import { hashPassword } from '../accounts/password-threads'
import { addHashed } from '../accounts/users'
import { nameSchool } from '../operations/school-name'
import { addTerm, demoTerm } from './term'

const folder = new URL('../../../demo/', import.meta.url)

const schoolSchema = z.object({
  name: z.string(),
  instructors: z.array(z.object({ login: z.string(), name: z.string(), password: z.string() })),
  /** Where each circuit stands in the library, by its file. */
  shelves: z.record(z.string(), shelfSchema).default({}),
  students: z.array(z.object({ login: z.string(), name: z.string(), password: z.string() })),
  /** Faults that an instructor has begun to plant and not handed out, by the circuit’s file. */
  drafts: z.record(z.string(), z.object({ fault: z.string(), complaint: z.string() })).default({}),
})
export type DemoSchool = z.infer<typeof schoolSchema>

export const demoSchool = (): DemoSchool =>
  schoolSchema.parse(JSON.parse(readFileSync(new URL('school.json', folder), 'utf8')))

const demoLessonSchema = z.strictObject({
  name: z.string(),
  folder: z.string(),
  note: z.string(),
  /** File of the circuit, without its ending. */
  circuit: z.string(),
  /** Faults as the key command spells them, a set each. */
  sets: z.array(
    z.union([
      z.string().transform((fault) => ({ fault, complaint: '' })),
      z.object({ fault: z.string(), complaint: z.string() }),
    ]),
  ),
  frame: z.unknown(),
})

/** Lessons in the order of a course, made of the demo circuits. */
export const demoLessons = (): Lesson[] =>
  z
    .array(demoLessonSchema)
    .parse(JSON.parse(readFileSync(new URL('lessons.json', folder), 'utf8')))
    .map(({ circuit: file, sets, ...rest }) => {
      const text = readFileSync(new URL(`circuits/${file}.json`, folder), 'utf8')
      const read = readCircuit(JSON.parse(text))
      if (!read.ok) throw new Error(`demo/circuits/${file}.json does not fit`)
      const circuit = read.value
      const planted = sets.map(({ fault, complaint }) => {
        const found = readFaultSpec(circuit, fault)
        if (!found.ok) throw new Error(`demo/lessons.json, ${rest.name}: ${tell(found.why)}`)
        return {
          name: tell(describeFault(circuit, found.fault)).slice(0, 80),
          faults: [found.fault],
          complaint,
        }
      })
      return admitLesson({ format: lessonFormat, version: lessonVersion, ...rest, circuit, sets: planted })
    })

/** Loads the demo school once, through the same doors as a person's own accounts and imports: all of it or nothing. */
export const loadDemo = (database: Database): Promise<void> => load(database)

/** The demo school with a term behind it, which ends now. */
export const loadDemoTerm = (database: Database): Promise<void> => load(database, Date.now())

async function load(database: Database, termEnds?: number): Promise<void> {
  const school = demoSchool()
  if (await anybody(database)) return
  // Slow work comes before the transaction, not in it.
  const hashes = new Map<string, string>()
  for (const account of [...school.instructors, ...school.students])
    hashes.set(account.login, await hashPassword(account.password))
  await database.transaction(async (db) => {
    // Two processes that start at once take turns: the second finds the school there.
    await takeStartLock(db)
    if (await anybody(db)) return
    await nameSchool(db, school.name)
    const instructors = []
    for (const one of school.instructors)
      instructors.push(await addHashed(db, one, 'instructor', false, hashes.get(one.login)!))
    const people = new Map<string, string>()
    for (const one of school.students)
      people.set(one.login, (await addHashed(db, one, 'student', false, hashes.get(one.login)!)).id)
    const lessons = demoLessons()
    const lessonIds: string[] = []
    for (const lesson of lessons) lessonIds.push(await addLesson(db, lesson))
    for (const file of readdirSync(new URL('circuits/', folder)).sort()) {
      const text = readFileSync(new URL(`circuits/${file}`, folder), 'utf8')
      const id = await addCircuit(db, JSON.parse(text), instructors[0]?.id)
      const shelf = school.shelves[file.replace('.json', '')]
      if (shelf) await shelve(db, id, shelf)
      const draft = school.drafts[file.replace('.json', '')]
      if (draft && termEnds !== undefined) await plant(db, id, JSON.parse(text), draft)
    }
    const [instructor] = instructors
    if (termEnds !== undefined && instructor)
      await addTerm(db, demoTerm(), { lessons, lessonIds, instructor: instructor.id, people }, termEnds)
  })
}

async function plant(
  db: Queries,
  id: string,
  document: unknown,
  { fault, complaint }: { readonly fault: string; readonly complaint: string },
): Promise<void> {
  const read = readCircuit(document)
  const found = read.ok ? readFaultSpec(read.value, fault) : undefined
  if (!read.ok || !found?.ok) throw new Error(`demo/school.json: ${fault} does not fit`)
  const state = read.value.states[0]?.id ?? ''
  await savePlant(db, id, { faults: [found.fault], state, limits: '', complaint })
}

const anybody = async (db: Queries): Promise<boolean> =>
  (await db.query('select 1 from users limit 1')).length > 0
