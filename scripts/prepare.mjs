import { execFileSync, spawn, spawnSync } from 'node:child_process'
import { existsSync, readFileSync, statSync, writeFileSync } from 'node:fs'

/** Runs a command with its output on ours; ends this process with its status if it fails. */
export function run(command, args, env = {}) {
  const { status, signal } = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } })
  if (status !== 0) {
    console.error(`\n${command} ${args.join(' ')} ended with ${signal ?? status}`)
    process.exit(status ?? 1)
  }
}

/** Runs a program of the project's own dependencies. */
export const tool = (name, args, env) => run('npx', ['--no-install', name, ...args], env)

/** Runs several of them at once; ends this process with the status of the first that fails. */
export const together = (commands) =>
  Promise.all(
    commands.map(
      ([name, ...args]) =>
        new Promise((done) =>
          spawn('npx', ['--no-install', name, ...args], { stdio: 'inherit' }).once(
            'exit',
            (status, signal) => {
              if (status === 0) return done()
              console.error(`\n${name} ${args.join(' ')} ended with ${signal ?? status}`)
              process.exit(status ?? 1)
            },
          ),
        ),
    ),
  )

/** Installs what package-lock.json names, unless exactly that is installed already. */
export function installPackages() {
  const stamp = 'node_modules/.brachyon-installed'
  const wanted = readFileSync('package-lock.json', 'utf8')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  run('npm', ['ci', '--no-audit', '--no-fund'])
  writeFileSync(stamp, wanted)
}

/** Installs Debian packages whose programs are missing; says what to do where that is not possible. */
export function installPrograms(programs) {
  const missing = programs.filter(({ present }) => !present()).map(({ debian }) => debian)
  if (missing.length === 0) return
  const root = process.getuid?.() === 0
  try {
    const sudo = root ? [] : ['sudo', '-n']
    const apt = (...args) => {
      const [command, ...rest] = [...sudo, 'apt-get', ...args]
      execFileSync(command, rest, {
        stdio: 'inherit',
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      })
    }
    apt('update', '-qq')
    apt('install', '-y', '-qq', ...missing)
  } catch {
    console.error(`\nMissing: ${missing.join(', ')}. Install with: sudo apt-get install ${missing.join(' ')}`)
    process.exit(1)
  }
}

/** Builds interface and server unless what is built is newer than everything that it is built from. */
export function build() {
  const sources = execFileSync(
    'git',
    [
      'ls-files',
      '-co',
      '--exclude-standard',
      'src',
      'public',
      'index.html',
      'vite.config.ts',
      'vite.server.config.ts',
      'package-lock.json',
    ],
    { encoding: 'utf8' },
  )
  const newest = Math.max(
    ...sources
      .split('\n')
      .filter((file) => file && existsSync(file))
      .map((file) => statSync(file).mtimeMs),
  )
  const fresh = (file) => existsSync(file) && statSync(file).mtimeMs > newest
  if (!fresh('dist/index.html')) tool('vite', ['build', '--logLevel', 'warn'])
  if (!fresh(serverMain)) tool('vite', ['build', '--logLevel', 'warn', '--config', 'vite.server.config.ts'])
}

export const serverMain = 'built/server/main.js'
