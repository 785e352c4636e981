import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { BackupError } from './backup-file'
import { backUp, check, restore } from './backup-command'
import { newPassword } from './password-command'
import { becomeOwnerOf, type School } from './which-school'

const usage = `npm run backup -- [FILE]          writes the school to FILE (brachyon-DATE.jsonl.gz unless given)
npm run backup -- --check FILE    tells whether FILE is whole; needs no database
npm run restore -- FILE           restores FILE into an empty data folder or database
npm run password -- LOGIN         gives an account a new password and prints it

Which school: DATABASE_URL, or BRACHYON_DATA (data/school unless set; --demo for data/demo).`

function end(status: number, text: string): never {
  ;(status ? process.stderr : process.stdout).write(`${text}\n`)
  process.exit(status)
}

const { values, positionals } = parseArgs({
  allowPositionals: true,
  strict: false,
  options: { demo: { type: 'boolean' }, check: { type: 'boolean' }, help: { type: 'boolean' } },
})
const [act, subject] = positionals
const url = process.env.DATABASE_URL
const folder = process.env.BRACHYON_DATA ?? join(process.cwd(), 'data', values.demo ? 'demo' : 'school')
const school: School = url ? { url } : { folder }
if (values.help) end(0, usage)

async function run(): Promise<string> {
  switch (act) {
    case 'backup': {
      if (values.check) return subject ? check(subject) : end(2, usage)
      if (!url && !existsSync(folder)) throw new BackupError(`There is no school in ${folder}.`)
      return backUp(school, subject)
    }
    case 'restore':
      return subject ? restore(school, subject) : end(2, usage)
    case 'password': {
      if (!subject) end(2, usage)
      if (!url && !existsSync(folder)) throw new BackupError(`There is no school in ${folder}.`)
      if (!url) becomeOwnerOf(folder)
      return newPassword(school, subject)
    }
    default:
      return end(2, usage)
  }
}

await run().then(
  (text) => end(0, text),
  (error: unknown) => end(1, error instanceof Error ? error.message : String(error)),
)
