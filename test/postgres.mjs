import { execFileSync, spawnSync } from 'node:child_process'
import { chmodSync, chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const root = '/usr/lib/postgresql'

/** Folder of Debian's PostgreSQL programs, or undefined where it is not installed. */
export function postgresPrograms() {
  if (!existsSync(root)) return undefined
  const version = readdirSync(root)
    .filter((name) => existsSync(join(root, name, 'bin', 'initdb')))
    .sort((a, b) => Number(b) - Number(a))[0]
  return version && join(root, version, 'bin')
}

/** The server refuses to run as root: root hands it to the user that Debian's package makes. */
function asServer(program, args) {
  const root = process.getuid?.() === 0
  const [command, all] = root ? ['runuser', ['-u', 'postgres', '--', program, ...args]] : [program, args]
  return execFileSync(command, all, { stdio: ['ignore', 'pipe', 'pipe'], encoding: 'utf8' })
}

/**
 * A PostgreSQL server of this test run's own, on a private socket: no port, no password, gone afterwards.
 * @returns {{ url: string, halt: () => void, start: () => void, stop: () => void }}
 */
export function startPostgres() {
  const programs = postgresPrograms()
  if (!programs) throw new Error('PostgreSQL is not installed: run `npm test`, which installs it')
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-pg-'))
  if (process.getuid?.() === 0) {
    const [uid, gid] = ['-u', '-g'].map((flag) =>
      Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout),
    )
    chownSync(folder, uid, gid)
  }
  chmodSync(folder, 0o700)
  const data = join(folder, 'data')
  asServer(join(programs, 'initdb'), ['-D', data, '-U', 'school', '--auth=trust', '-E', 'UTF8', '--no-sync'])
  const start = () =>
    asServer(join(programs, 'pg_ctl'), [
      '-D',
      data,
      '-w',
      '-l',
      join(folder, 'log'),
      '-o',
      `-c listen_addresses= -c unix_socket_directories=${folder} -c fsync=off`,
      'start',
    ])
  const halt = () => asServer(join(programs, 'pg_ctl'), ['-D', data, '-m', 'immediate', 'stop'])
  start()
  return {
    url: `postgresql://school@/postgres?host=${encodeURIComponent(folder)}`,
    halt,
    start,
    stop: () => {
      halt()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
