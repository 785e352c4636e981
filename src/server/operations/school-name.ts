import type { Queries } from '../database'
import { factOf, setFact } from './facts'

const fact = 'school'

/** The school's own name; '' where none was given. */
export const schoolName = async (db: Queries): Promise<string> => (await factOf(db, fact)) ?? ''

export const nameSchool = (db: Queries, name: string): Promise<void> => setFact(db, fact, name.trim())
