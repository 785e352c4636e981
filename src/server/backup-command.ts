import { createReadStream, createWriteStream, existsSync, readFileSync, renameSync, rmSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { createInterface } from 'node:readline'
import { PassThrough, Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip, createGzip } from 'node:zlib'
import { z } from 'zod'
import { BackupTrouble, exportSchool, importSchool } from './backup'
import { openDatabase } from './database'

const controlSchema = z.object({ port: z.number().int(), host: z.string(), key: z.string() })

const usage = `npm run backup -- [FILE]        writes the school to FILE (brachyon-DATE.jsonl.gz unless said)
npm run restore -- FILE         takes FILE into an empty data folder or database

Which school: DATABASE_URL, or BRACHYON_DATA (data/school unless said; --demo for data/demo).`

function end(status: number, said: string): never {
  ;(status ? process.stderr : process.stdout).write(`${said}\n`)
  process.exit(status)
}

const args = process.argv.slice(2).filter((arg) => arg !== '--demo')
const demo = process.argv.includes('--demo')
const [act, file] = args
const url = process.env.DATABASE_URL
const folder = process.env.BRACHYON_DATA ?? join(process.cwd(), 'data', demo ? 'demo' : 'school')
if (process.argv.includes('--help') || !['backup', 'restore'].includes(act ?? '')) end(act ? 0 : 2, usage)

const open = () => openDatabase(url ? { url } : { folder })

/** Of a school that is open in an embedded database its own server is asked: nobody else may open the folder. */
async function running(): Promise<Readable | undefined> {
  const control = join(folder, 'control.json')
  if (url || !existsSync(control)) return undefined
  const { port, host, key } = controlSchema.parse(JSON.parse(readFileSync(control, 'utf8')))
  const answer = await fetch(`http://${host}:${port}/ops/backup`, {
    headers: { authorization: `Bearer ${key}` },
  }).catch(() => undefined)
  if (!answer) return undefined
  if (!answer.ok || !answer.body) end(1, `The server of ${folder} refuses: ${answer.status}.`)
  return Readable.fromWeb(answer.body as Parameters<typeof Readable.fromWeb>[0])
}

async function backup(): Promise<void> {
  const stamp = new Date().toISOString().slice(0, 16).replaceAll(':', '')
  const target = resolve(file ?? `brachyon-${stamp}.jsonl.gz`)
  const partial = `${target}.part`
  try {
    const live = await running()
    if (live) await pipeline(live, createWriteStream(partial, { mode: 0o600 }))
    else {
      if (!url && !existsSync(folder)) end(1, `There is no school in ${folder}.`)
      const db = await open()
      const lines = new PassThrough()
      const written = pipeline(lines, createGzip(), createWriteStream(partial, { mode: 0o600 }))
      await exportSchool(db, new Date(), async (line) => {
        if (!lines.write(line)) await new Promise((done) => lines.once('drain', done))
      })
      lines.end()
      await written
      await db.close()
    }
    // Only a whole backup gets its name.
    renameSync(partial, target)
  } catch (error) {
    rmSync(partial, { force: true })
    throw error
  }
  end(
    0,
    `Backup written to ${target}. It holds names and work of students: keep it as you would their papers.`,
  )
}

/** Reading begins with whoever takes the first line: what a reader says before anybody listens is lost. */
async function* linesOf(input: NodeJS.ReadableStream): AsyncGenerator<string> {
  yield* createInterface({ input })
}

async function restore(): Promise<void> {
  if (!file) end(2, usage)
  if (!existsSync(file)) end(1, `There is no file ${file}.`)
  const db = await open()
  const raw = createReadStream(file)
  const text = file.endsWith('.gz') ? raw.pipe(createGunzip()) : raw
  const failed = new Promise<never>((_, reject) => text.once('error', reject))
  try {
    const rows = await Promise.race([importSchool(db, linesOf(text)), failed])
    await db.close()
    end(0, `Restored ${rows} rows into ${url ? 'the database' : folder}.`)
  } catch (error) {
    await db.close()
    throw error
  }
}

await (act === 'backup' ? backup() : restore()).catch((error: unknown) =>
  end(
    1,
    error instanceof BackupTrouble ? error.message : error instanceof Error ? error.message : String(error),
  ),
)
