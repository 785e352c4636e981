import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import {
  closeSync,
  existsSync,
  mkdtempSync,
  openSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
  writeSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { program } from '../../../test/program'
import { openDatabase } from '../database'
import { BackupWriter } from './backup-file'

const work = mkdtempSync(join(tmpdir(), 'brachyon-backup-'))
const open = join(work, 'open')
const file = join(work, 'school.jsonl.gz')
const command = (args: readonly string[], folder: string) =>
  spawnSync(process.execPath, [...program('operations/command'), ...args], {
    encoding: 'utf8',
    env: { ...process.env, BRACHYON_DATA: folder, DATABASE_URL: '' },
  })

describe('the backup of a school that is open', () => {
  let server: ChildProcess

  beforeAll(async () => {
    server = spawn(process.execPath, [...program('main'), '--demo', '--new'], {
      env: { ...process.env, BRACHYON_DATA: open, PORT: '0', DATABASE_URL: '' },
      stdio: ['ignore', 'pipe', 'inherit'],
    })
    await new Promise<void>((resolve, reject) => {
      server.stdout!.on('data', (text: Buffer) => text.toString().includes('Demo school') && resolve())
      server.once('exit', (code) => reject(new Error(`server ended with ${code}`)))
    })
  }, 120_000)
  afterAll(async () => {
    server.removeAllListeners('exit')
    const gone = new Promise((done) => server.once('exit', done))
    server.kill('SIGTERM')
    await gone
    // Its key goes with it.
    expect(existsSync(join(open, 'control.json'))).toBe(false)
  }, 60_000)

  it('is written while it runs, for the eyes of its owner, and restores into an empty folder', async () => {
    const made = command(['backup', file], open)
    expect(made.stderr).toBe('')
    expect(made).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/Backup written to .* and checked: \d+ rows/),
    })
    expect(statSync(file).mode & 0o077).toBe(0)
    expect(existsSync(`${file}.part`)).toBe(false)
    const other = join(work, 'other')
    expect(command(['restore', file], other)).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/^Restored \d+ rows/),
    })
    const db = await openDatabase({ folder: other })
    expect((await db.query('select login from users order by login')).length).toBeGreaterThan(3)
    expect((await db.query('select 1 from circuits')).length).toBeGreaterThan(15)
    await db.close()
    // Closed, its folder is opened by the command itself.
    expect(command(['backup', join(work, 'again.jsonl.gz')], other).status).toBe(0)
    // What is there is not written over.
    expect(command(['restore', file], other)).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('already'),
    })
  }, 120_000)

  it('is handed to nobody who cannot read the data folder', async () => {
    const { port, key } = JSON.parse(readFileSync(join(open, 'control.json'), 'utf8')) as {
      port: number
      key: string
    }
    expect(statSync(join(open, 'control.json')).mode & 0o077).toBe(0)
    const ask = (authorization?: string) =>
      fetch(`http://127.0.0.1:${port}/ops/backup`, { headers: authorization ? { authorization } : {} })
    for (const wrong of [undefined, 'Bearer ', `Bearer ${key}x`, `Bearer ${'x'.repeat(key.length)}`])
      expect((await ask(wrong)).status).toBe(404)
  })

  it('of a file tells without a database whether it is whole: one flipped bit is enough', () => {
    const check = (path: string) => command(['backup', '--check', path], join(work, 'no-such-school'))
    expect(check(file)).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/is whole: \d+ rows, made on 20/),
    })
    expect(existsSync(join(work, 'no-such-school'))).toBe(false)
    const whole = readFileSync(file)
    for (const at of [40, Math.floor(whole.length / 3), whole.length - 3]) {
      const bytes = Buffer.from(whole)
      bytes[at]! ^= 4
      const path = join(work, `flipped-${at}.jsonl.gz`)
      writeFileSync(path, bytes)
      expect(check(path), String(at)).toMatchObject({ status: 1, stderr: expect.stringContaining('damaged') })
      // Nor does a restore touch a database for it.
      const target = join(work, `of-${at}`)
      expect(command(['restore', path], target)).toMatchObject({
        status: 1,
        stderr: expect.stringContaining('damaged'),
      })
      expect(existsSync(target)).toBe(false)
    }
  }, 60_000)

  it('of a large school is read in little memory', () => {
    const large = join(work, 'large.jsonl')
    const writer = new BackupWriter()
    const to = openSync(large, 'w')
    const rows = Array.from({ length: 100 }, (_, i) => JSON.stringify({ id: i, body: 'x'.repeat(50_000) }))
    writeSync(to, writer.head({ schema: '001-school.sql', at: new Date(), rows: 8000 }))
    for (let n = 0; n < 80; n++) writeSync(to, writer.rows('judgements', rows))
    writeSync(to, writer.end())
    closeSync(to)
    // 400 MB of rows, in a memory of 150.
    const args = [...program('operations/command'), 'backup', '--check', large]
    const checked = spawnSync(process.execPath, ['--max-old-space-size=150', ...args], { encoding: 'utf8' })
    rmSync(large)
    expect(checked).toMatchObject({ status: 0, stdout: expect.stringContaining('is whole: 8000 rows') })
  }, 120_000)

  it('that cannot be written or is not taken to its end is a failed backup, and the school goes on', async () => {
    const nowhere = command(['backup', join(work, 'no', 'such', 'folder', 'b.gz')], open)
    expect(nowhere).toMatchObject({ status: 1, stderr: expect.stringContaining('There is no folder') })
    const { port, key } = JSON.parse(readFileSync(join(open, 'control.json'), 'utf8')) as {
      port: number
      key: string
    }
    // A reader that goes away in the middle.
    const gone = new AbortController()
    const answer = await fetch(`http://127.0.0.1:${port}/ops/backup`, {
      headers: { authorization: `Bearer ${key}` },
      signal: gone.signal,
    })
    await answer.body!.getReader().read()
    gone.abort()
    expect((await fetch(`http://127.0.0.1:${port}/health`)).status).toBe(200)
    expect(command(['backup', join(work, 'after.jsonl.gz')], open).status).toBe(0)
  }, 60_000)

  it('goes with a new password for whoever has forgotten theirs, of an open school and of a closed one', async () => {
    const enter = (port: number, password: string) =>
      fetch(`http://127.0.0.1:${port}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ login: 'orla', password }),
      })
    const { port } = JSON.parse(readFileSync(join(open, 'control.json'), 'utf8')) as { port: number }
    expect((await enter(port, 'gritter-amber-7')).status).toBe(200)
    const made = command(['password', 'Orla'], open)
    expect(made.status).toBe(0)
    const password = /New password of Orla: (\S+)/.exec(made.stdout)![1]!
    expect((await enter(port, 'gritter-amber-7')).status).toBe(401)
    const answer = (await (await enter(port, password)).json()) as { user: { mustChange: boolean } }
    expect(answer.user.mustChange).toBe(true)
    expect(command(['password', 'nobody'], open)).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('no account “nobody”'),
    })
    const closed = join(work, 'closed')
    expect(command(['restore', file], closed).status).toBe(0)
    expect(command(['password', 'orla'], closed)).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/New password of orla: ([a-z]+-){4}\d\d/),
    })
    expect(command(['password', 'nobody'], closed).status).toBe(1)
  }, 90_000)

  it('says what is wrong, with its status', () => {
    expect(command(['restore', join(work, 'nothing.gz')], join(work, 'new')).stderr).toContain(
      'There is no file',
    )
    expect(command(['restore'], join(work, 'new')).status).toBe(2)
    expect(command(['backup'], join(work, 'nowhere')).stderr).toContain('There is no school')
    const spoilt = join(work, 'spoilt.jsonl.gz')
    writeFileSync(spoilt, readFileSync(file).subarray(0, 4000))
    expect(command(['restore', spoilt], join(work, 'new'))).toMatchObject({ status: 1 })
  }, 60_000)
})
