import { execFileSync, spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import {
  chmodSync,
  chownSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
} from 'node:fs'
import { createServer, type AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'

const manual = readFileSync('docs/running.md', 'utf8')
const unit = readFileSync('docs/brachyon.service', 'utf8')
/** The block of the manual that holds a line. */
const blockWith = (line: string): string =>
  [...manual.matchAll(/```sh\n([\s\S]*?)```/g)].map((m) => m[1]!).find((block) => block.includes(line))!

/** Somebody with no rights but their own: the service runs as such a one. Whoever runs these tests as one is that one. */
const root = process.getuid?.() === 0
const nobody = root ? { uid: 65534, gid: 65534 } : {}

describe('a school run as the manual says, in a fresh directory, by somebody without rights', () => {
  const place = mkdtempSync(join(tmpdir(), 'brachyon-manual-'))
  const program = join(place, 'opt', 'brachyon')
  const data = join(place, 'var', 'lib', 'brachyon')
  let port: number
  let service: ChildProcess | undefined
  /** Where the manual has a place of the machine, the test has one of its own. */
  const here = (line: string) => line.replace('/opt/brachyon', program).replace('/var/lib/brachyon', data)
  const sh = (line: string, env: NodeJS.ProcessEnv = {}) =>
    spawnSync('bash', ['-c', here(line)], {
      cwd: program,
      encoding: 'utf8',
      env: { ...process.env, BRACHYON_BUILT: '', DATABASE_URL: '', ...env },
    })

  /** What systemd does with the unit: its command, in its folder, with its settings, as somebody else. */
  async function start(): Promise<void> {
    const value = (name: string) => new RegExp(`^${name}=(.*)$`, 'm').exec(unit)![1]!
    const [node, ...args] = value('ExecStart').split(' ')
    expect(node).toBe('/usr/bin/node')
    const env = Object.fromEntries(
      value('Environment')
        .split(' ')
        .map((pair) => here(pair).split('=') as [string, string]),
    )
    service = spawn(process.execPath, args, {
      cwd: here(value('WorkingDirectory')),
      env: { PATH: process.env.PATH, ...env, PORT: String(port) },
      stdio: ['ignore', 'pipe', 'pipe'],
      ...nobody,
    })
    let text = ''
    service.stderr!.on('data', (chunk: Buffer) => (text += chunk.toString()))
    await new Promise<void>((resolve, reject) => {
      service!.stdout!.on('data', (chunk: Buffer) => chunk.toString().includes('Brachyon is at') && resolve())
      service!.once('exit', (code) => reject(new Error(`ended with ${code}: ${text}`)))
    })
    service.removeAllListeners('exit')
  }
  async function stop(): Promise<void> {
    const gone = once(service!, 'exit')
    service!.kill('SIGTERM')
    await gone
    service = undefined
  }
  const post = (path: string, body: object) =>
    fetch(`http://127.0.0.1:${port}/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })

  beforeAll(async () => {
    const free = createServer().listen(0, '127.0.0.1')
    await once(free, 'listening')
    port = (free.address() as AddressInfo).port
    free.close()
    // A clone, with what has been changed since.
    const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard'], { encoding: 'utf8' })
    for (const file of files.split('\n').filter((name) => name && existsSync(name))) {
      mkdirSync(dirname(join(program, file)), { recursive: true })
      cpSync(file, join(program, file))
    }
    mkdirSync(data, { recursive: true })
    for (const folder of [place, join(place, 'opt'), program, join(place, 'var'), join(place, 'var', 'lib')])
      chmodSync(folder, 0o755)
    if (root) chownSync(data, nobody.uid!, nobody.gid!)
  })
  afterAll(async () => {
    if (service) await stop()
    rmSync(place, { recursive: true, force: true })
    // A service that is stopped in order takes its time on a machine that has other work.
  }, 180_000)

  it('is installed and built by the lines of the manual', () => {
    const lines = blockWith('npm ci')
      .split('\n')
      .filter((line) => line && !/^(cp docs|systemctl|cd )/.test(line))
    expect(lines).toEqual(['npm ci', 'npm run build'])
    for (const line of lines) {
      const { status, stderr } = sh(line)
      expect(status, stderr).toBe(0)
    }
    expect(existsSync(join(program, 'built', 'server', 'main.js'))).toBe(true)
    expect(existsSync(join(program, 'dist', 'index.html'))).toBe(true)
    // Built once, it is not built again.
    const made = statSync(join(program, 'dist', 'index.html')).mtimeMs
    expect(sh('npm run build').status).toBe(0)
    expect(statSync(join(program, 'dist', 'index.html')).mtimeMs).toBe(made)
  }, 300_000)

  it('starts as the unit says, and takes its first instructor', async () => {
    await start()
    const account = {
      name: 'Wen Halloran',
      login: 'wen',
      password: 'long enough by far',
      school: 'Fennick Vale',
    }
    expect((await post('/set-up', account)).status).toBe(201)
    // The school's own name is no password from then on.
    expect((await post('/set-up', { ...account, login: 'two' })).status).toBe(403)
    expect(await (await fetch(`http://127.0.0.1:${port}/`)).text()).toContain('<div id="app">')
  }, 60_000)

  it('is backed up while it runs and while it does not, by root, and starts again after both', async () => {
    const file = join(place, 'school.jsonl.gz')
    const backup = `npm run backup -- ${file}`
    const settings = { BRACHYON_DATA: data }
    const live = sh(backup, settings)
    expect(live.status, live.stderr).toBe(0)
    expect(sh(`npm run backup -- --check ${file}`).status).toBe(0)
    await stop()
    const closed = sh(backup, settings)
    expect(closed.status, closed.stderr).toBe(0)
    // Nothing in the folder belongs to anybody but the service.
    for (const name of readdirSync(data, { recursive: true, encoding: 'utf8' }))
      expect(statSync(join(data, name)).uid, name).toBe(statSync(data).uid)
    await start()
    expect((await post('/session', { login: 'wen', password: 'long enough by far' })).status).toBe(200)
  }, 120_000)

  it('gives its only instructor a new password, and is restored into an empty folder', async () => {
    const settings = { BRACHYON_DATA: data }
    const made = sh('npm run password -- wen', settings)
    const password = /New password of wen: (\S+)/.exec(made.stdout)![1]!
    expect((await post('/session', { login: 'wen', password: 'long enough by far' })).status).toBe(401)
    expect((await post('/session', { login: 'wen', password })).status).toBe(200)
    await stop()
    rmSync(data, { recursive: true, force: true })
    mkdirSync(data)
    if (root) chownSync(data, nobody.uid!, nobody.gid!)
    const restored = sh(`npm run restore -- ${join(place, 'school.jsonl.gz')}`, settings)
    expect(restored.stdout, restored.stderr).toMatch(/Restored \d+ rows/)
    await start()
    expect((await post('/session', { login: 'wen', password: 'long enough by far' })).status).toBe(200)
  }, 120_000)
})
