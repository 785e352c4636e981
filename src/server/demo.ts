import { readdirSync, readFileSync } from 'node:fs'
import { z } from 'zod'
import { shelfSchema } from '../contract'
import { addCircuit } from './circuits'
import type { Database } from './database'
import { shelve } from './library'
import { addUser } from './users'

const folder = new URL('../../demo/', import.meta.url)

const schoolSchema = z.object({
  name: z.string(),
  instructors: z.array(z.object({ login: z.string(), name: z.string(), password: z.string() })),
  /** Where each circuit stands in the library, by its file. */
  shelves: z.record(z.string(), shelfSchema).default({}),
  students: z.array(z.object({ login: z.string(), name: z.string(), password: z.string() })),
})
export type DemoSchool = z.infer<typeof schoolSchema>

export const demoSchool = (): DemoSchool =>
  schoolSchema.parse(JSON.parse(readFileSync(new URL('school.json', folder), 'utf8')))

/** Loads the demo school once, through the same doors as a person's own accounts and imports: all of it or nothing. */
export function loadDemo(database: Database): Promise<void> {
  return database.transaction(async (db) => {
    const [any] = await db.query('select 1 from users limit 1')
    if (any) return
    const school = demoSchool()
    const instructors = []
    for (const account of school.instructors) instructors.push(await addUser(db, account, 'instructor'))
    for (const account of school.students) await addUser(db, account, 'student')
    for (const file of readdirSync(new URL('circuits/', folder)).sort()) {
      const text = readFileSync(new URL(`circuits/${file}`, folder), 'utf8')
      const id = await addCircuit(db, JSON.parse(text), instructors[0]?.id)
      const shelf = school.shelves[file.replace('.json', '')]
      if (shelf) await shelve(db, id, shelf)
    }
  })
}
