import { createReadStream, existsSync, openSync, renameSync, rmSync } from 'node:fs'
import { open } from 'node:fs/promises'
import { dirname, resolve } from 'node:path'
import { Readable, Transform, type Writable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { createGunzip } from 'node:zlib'
import { BackupError, checkBackup } from './backup-file'
import { packed } from './packed'
import { exportSchool } from './export-school'
import { importSchool } from './import-school'
import { Progress } from './progress'
import { noteFact } from './status'
import { askServer, becomeOwnerOf, openSchool, type School } from './which-school'

/**
 * Writes a school to a file. It gets its name only when it has been read back from the disk and found whole.
 * @throws BackupError
 */
export async function backUp(school: School, file?: string): Promise<string> {
  const stamp = new Date().toISOString().slice(0, 16).replaceAll(':', '')
  const target = resolve(file ?? `brachyon-${stamp}.jsonl.gz`)
  const partial = `${target}.part`
  if (!existsSync(dirname(target))) throw new BackupError(`There is no folder ${dirname(target)}.`)
  const handle = await open(partial, 'w', 0o600).catch((error: NodeJS.ErrnoException) => {
    throw new BackupError(`${partial} cannot be written (${error.code}).`)
  })
  const beRootAgain = 'folder' in school ? becomeOwnerOf(school.folder) : () => undefined
  const progress = new Progress()
  try {
    // Onto the disk before it is closed.
    await writeTo(handle.createWriteStream({ flush: true }), school, progress)
    beRootAgain()
    const { rows } = await checkFile(partial, progress)
    renameSync(partial, target)
    return `Backup written to ${target} and checked: ${rows} rows. It holds names and work of students: keep it as you would their papers.`
  } catch (error) {
    await handle.close().catch(() => undefined)
    beRootAgain()
    rmSync(partial, { force: true })
    throw new BackupError(`The backup was not made: ${wordsOf(error)}`)
  } finally {
    progress.end()
  }
}

async function writeTo(file: Writable, school: School, progress: Progress): Promise<void> {
  const live = await askServer(school, '/ops/backup')
  if (live) {
    if (!live.ok || !live.body) throw new BackupError(`its server refuses (${live.status}).`)
    let bytes = 0
    const counted = new Transform({
      transform(chunk: Buffer, _encoding, done) {
        bytes += chunk.length
        progress.show(`Receiving from the server: ${(bytes / 1e6).toFixed(1)} MB`)
        done(null, chunk)
      },
    })
    await pipeline(Readable.fromWeb(live.body as Parameters<typeof Readable.fromWeb>[0]), counted, file)
    return
  }
  const db = await openSchool(school)
  try {
    const text = exportSchool(db, new Date(), (rows, of) => progress.rows('Writing', rows, of))
    await pipeline(Readable.from(text), packed(), file)
    await noteFact(db, 'backup')
  } finally {
    await db.close()
  }
}

/** Tells whether a file is a whole backup. Needs no database. */
export async function check(file: string): Promise<string> {
  const progress = new Progress()
  try {
    const { rows, head } = await checkFile(file, progress)
    return `${file} is whole: ${rows} rows, made on ${head.at.slice(0, 16).replace('T', ' ')} UTC.`
  } finally {
    progress.end()
  }
}

const checkFile = (file: string, progress: Progress) =>
  checkBackup(linesOf(file), (rows, of) => progress.rows('Checking', rows, of))

/**
 * Restores a file into an empty folder or database. It is read through and proved first: a damaged one never reaches the
 * database.
 * @throws BackupError
 */
export async function restore(school: School, file: string): Promise<string> {
  const progress = new Progress()
  try {
    await checkFile(file, progress)
    // Opened while this process may: the owner of the data folder may not read root's files.
    const fd = openSync(file, 'r')
    if ('folder' in school) becomeOwnerOf(school.folder)
    const db = await openSchool(school)
    try {
      const lines = linesOf(file, fd)
      const rows = await importSchool(db, lines, (at, of) => progress.rows('Restoring', at, of))
      return `Restored ${rows} rows into ${'url' in school ? 'the database' : school.folder}.`
    } finally {
      await db.close()
    }
  } finally {
    progress.end()
  }
}

/** Bytes that are read or unpacked at a time. */
const atOnce = 256 * 1024

/**
 * Lines of a file, unpacked where it is packed. What is wrong with the file itself is a `BackupError`.
 * @param fd of the file, where it is open already
 */
async function* linesOf(file: string, fd?: number): AsyncGenerator<string> {
  if (fd === undefined && !existsSync(file)) throw new BackupError(`There is no file ${file}.`)
  const raw = createReadStream(file, { highWaterMark: atOnce, ...(fd !== undefined && { fd }) })
  const input =
    file.endsWith('.gz') || file.endsWith('.gz.part') ? raw.pipe(createGunzip({ chunkSize: atOnce })) : raw
  // What goes wrong with the file ends what is unpacked from it.
  if (input !== raw) raw.once('error', (error) => input.destroy(error))
  try {
    let rest = ''
    for await (const chunk of input.setEncoding('utf8')) {
      const lines = (rest + String(chunk)).split('\n')
      rest = lines.pop() ?? ''
      for (const line of lines) yield line.endsWith('\r') ? line.slice(0, -1) : line
    }
    if (rest) yield rest
  } catch (error) {
    if (error instanceof BackupError) throw error
    throw new BackupError(`${file} is damaged: it cannot be read to its end (${wordsOf(error)}).`)
  } finally {
    raw.destroy()
  }
}

const wordsOf = (error: unknown): string => {
  if (!(error instanceof Error)) return String(error)
  return 'code' in error && typeof error.code === 'string' && !(error instanceof BackupError)
    ? `${error.code}: ${error.message}`
    : error.message
}
