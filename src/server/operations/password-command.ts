import { z } from 'zod'
import { givePassword } from '../accounts/users'
import { BackupError } from './backup-file'
import { askServer, openSchool, type School } from './which-school'

const answerSchema = z.object({ password: z.string() })

/**
 * Gives an account a new password, for whoever can read the data: a school's only instructor who has forgotten theirs has
 * nobody else to ask.
 * @throws BackupError where there is no such account
 */
export async function newPassword(school: School, login: string): Promise<string> {
  const password = (await fromServer(school, login)) ?? (await fromDatabase(school, login))
  if (password === undefined) throw new BackupError(`There is no account “${login}”.`)
  return `New password of ${login}: ${password}\nIt is to be changed at the next sign-in. All sessions of the account have ended.`
}

/** Undefined where no server runs. */
async function fromServer(school: School, login: string): Promise<string | undefined> {
  const answer = await askServer(school, '/ops/password', { login })
  if (!answer) return undefined
  if (answer.status === 404) throw new BackupError(`There is no account “${login}”.`)
  if (!answer.ok) throw new BackupError(`The server refuses (${answer.status}).`)
  return answerSchema.parse(await answer.json()).password
}

async function fromDatabase(school: School, login: string): Promise<string | undefined> {
  const db = await openSchool(school)
  try {
    return await givePassword(db, login)
  } finally {
    await db.close()
  }
}
