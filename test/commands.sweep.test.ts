import { spawn, type ChildProcess } from 'node:child_process'
import { createServer, type AddressInfo } from 'node:net'
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs'
import { once } from 'node:events'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'

const folder = mkdtempSync(join(tmpdir(), 'brachyon-commands-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

async function freePort(): Promise<number> {
  const server = createServer().listen(0, '127.0.0.1')
  await once(server, 'listening')
  const { port } = server.address() as AddressInfo
  server.close()
  await once(server, 'close')
  return port
}

/** A command as it is typed, with what it writes. */
class Command {
  text = ''
  status: number | null = null
  readonly child: ChildProcess
  readonly ended: Promise<void>
  constructor(line: string, env: NodeJS.ProcessEnv = {}) {
    // A group of its own, so that all that it has started ends with it.
    this.child = spawn('bash', ['-c', line], {
      env: {
        ...process.env,
        BRACHYON_SMALL: '1',
        DATABASE_URL: '',
        BRACHYON_BUILT: '',
        NO_COLOR: '1',
        ...env,
      },
      detached: true,
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    this.child.stdout!.on('data', (chunk: Buffer) => (this.text += chunk.toString()))
    this.child.stderr!.on('data', (chunk: Buffer) => (this.text += chunk.toString()))
    this.ended = once(this.child, 'exit').then(([status]) => void (this.status = status as number | null))
  }
  async says(what: RegExp): Promise<void> {
    for (let n = 0; n < 1200 && !what.test(this.text); n++) {
      if (this.status !== null) break
      await new Promise((done) => setTimeout(done, 100))
    }
    expect(this.text).toMatch(what)
  }
  async stop(): Promise<void> {
    process.kill(-this.child.pid!, 'SIGTERM')
    await this.ended
  }
}

/** Every command that the README or the manual for whoever runs a school names, and where it is tried. */
const tried = new Set<string>()
const run = async (line: string, env?: NodeJS.ProcessEnv): Promise<string> => {
  tried.add(/npm run ([a-z]+)|npm (start|test)|node (\S+)/.exec(line)!.slice(1).find(Boolean)!)
  const command = new Command(line, env)
  await command.ended
  expect(command.status, command.text.slice(-3000)).toBe(0)
  return command.text
}

describe('what README and docs name', () => {
  it.each([
    ['npm run demo', /Demo school: Fennick Vale[\s\S]*student/],
    ['npm start', /Brachyon is at/],
  ])('%s starts, answers, and stops when it is told to', async (line, says) => {
    tried.add(line.replace(/^npm (run )?/, ''))
    const port = await freePort()
    const data = join(folder, line.replaceAll(' ', '-'))
    const command = new Command(line, { PORT: String(port), BRACHYON_DATA: data })
    await command.says(says)
    // Everything is installed: nothing is installed again.
    expect(command.text).not.toMatch(/added \d+ packages|npm ci/)
    expect((await fetch(`http://127.0.0.1:${port}/health`)).status).toBe(200)
    expect(await (await fetch(`http://127.0.0.1:${port}/`)).text()).toContain('<div id="app">')
    await command.stop()
    // Of the processes that were told, the server is the last: it answers what was asked first.
    await expect.poll(() => existsSync(join(data, 'control.json')), { timeout: 15_000 }).toBe(false)
  })

  it('npm run dev serves pages that are built as they are asked for', async () => {
    tried.add('dev')
    const [port, pages] = [await freePort(), await freePort()]
    const command = new Command('npm run dev', {
      PORT: String(port),
      BRACHYON_DEV_PORT: String(pages),
      BRACHYON_DATA: join(folder, 'dev'),
    })
    await command.says(/Brachyon is at/)
    await command.says(/Local:/)
    const answer = await fetch(`http://localhost:${pages}/api/session`)
    expect(await answer.json()).toMatchObject({ user: null })
    expect(await (await fetch(`http://localhost:${pages}/`)).text()).toContain('/src/web/main.ts')
    await command.stop()
  }, 180_000)

  it('npm run bench tells how quick it is', async () => {
    const text = await run('npm run bench')
    for (const part of [
      'reference / ours',
      'Growth with size',
      'Judging',
      'What a promise costs',
      'A class judged at once',
    ])
      expect(text).toContain(part)
    expect(text).toMatch(/a commit: synced before it is answered .* ×/)
  }, 300_000)
  it('npm run frames measures the interface', async () => {
    expect(await run('npm run frames')).toMatch(/frames while the drawing is dragged .*median/)
  }, 300_000)
  it('npm run term judges some of the demo term again', async () => {
    expect(await run('npm run term -- --check 2')).toContain('2 attempts judged again: all as they were')
  }, 300_000)
  it('npm run symptoms counts faults without one', async () => {
    expect(await run('npm run symptoms')).toMatch(/all: \d+ faults/)
  })
  it('npm run campaign draws random tests and pulls the plug', async () => {
    expect(await run('npm run campaign -- 7 1 1 src/core/quantity')).toMatch(
      /power cuts: (1, acknowledged \d+, lost 0|skipped)/,
    )
  }, 300_000)
  it('the load: a class at work on servers that are killed', async () => {
    const text = await run('node bench/load.mjs --students 3 --minutes 0.4 --kills 1')
    expect(text).toMatch(/acknowledged and lost 0, kept twice 0/)
  }, 300_000)
  it('a school with years behind it, and how quick it is', async () => {
    const data = join(folder, 'grown')
    const size = '--students 6 --classes 2 --attempts 24 --steps 5 --each 1 --lessons 1'
    expect(await run(`npm run grow -- ${size} --data ${data}`)).toMatch(/24 attempts/)
    const text = await run(`node bench/measure-grown.mjs --data ${data} --times 3`)
    expect(text).toMatch(/Ledger, one class +ms median \d+/)
    expect(text).toMatch(/results\.csv of the whole school .* 24 rows/)
  }, 300_000)
  it('requests without sense', async () => {
    expect(await run('node bench/malformed.mjs --requests 300')).toContain('every document is what it was')
  }, 300_000)
  it('a backup of a school that was filled by SQL, and how long others waited', async () => {
    for (const where of ['', ' --postgres'])
      expect(await run(`node bench/backup.mjs --steps 600${where}`)).toMatch(/backup: .*checked[^]*--check: /)
  }, 300_000)
  it('npm run shots draws the pictures', async () => {
    const shots = join(folder, 'shots')
    await run('npm run shots', { BRACHYON_SHOTS: shots })
    expect(readdirSync(shots)).toContain('sign-in.png')
  }, 300_000)

  it('answer keys, judged attempts and a meter on the command line', async () => {
    expect(await run('npm run key -- --help')).toContain('npm run key')
    expect(await run('npm run key -- demo/circuits/sweeper-work-lamp.json')).toMatch(/L1/)
    expect(await run('npm run judge -- demo/attempts/lamp-plug.json')).toMatch(/\d+ of 100|\d+(\.\d)? of \d+/)
    expect(await run('npm run meter -- --help')).toContain('npm run meter')
  })

  it('backup, check, restore and a new password', async () => {
    const school = { BRACHYON_DATA: join(folder, 'npm-run-demo') }
    const file = join(folder, 'school.jsonl.gz')
    expect(await run(`npm run backup -- ${file}`, school)).toMatch(/Backup written to .* and checked/)
    expect(await run(`npm run backup -- --check ${file}`)).toContain('is whole')
    expect(await run(`npm run restore -- ${file}`, { BRACHYON_DATA: join(folder, 'restored') })).toMatch(
      /Restored \d+ rows/,
    )
    expect(await run('npm run password -- orla', school)).toContain('New password of orla')
  }, 120_000)

  it('is all of it', () => {
    const named = new Set<string>()
    for (const file of ['README.md', 'docs/running.md', 'docs/commands.md'])
      for (const [, npm, other] of readFileSync(file, 'utf8').matchAll(
        /`?npm run ([a-z]+)|node (bench\/\S+\.mjs)/g,
      ))
        named.add((npm ?? other)!)
    // These run this test, or all the others.
    for (const own of ['sweep', 'build']) named.delete(own)
    expect([...named].filter((name) => !tried.has(name))).toEqual([])
  })
})
