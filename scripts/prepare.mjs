import { execFileSync, spawn, spawnSync } from 'node:child_process'
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'

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

/** Installs what package-lock.json names, unless exactly that is installed already, by us or by `npm ci`. */
export function installPackages() {
  if (isInstalled()) return
  run('npm', ['ci', '--no-audit', '--no-fund'])
}

/** npm keeps what it has installed in a lock file of its own; packages for other systems are left out there. */
function isInstalled() {
  const installed = 'node_modules/.package-lock.json'
  if (!existsSync(installed)) return false
  const wanted = JSON.parse(readFileSync('package-lock.json', 'utf8')).packages
  const there = JSON.parse(readFileSync(installed, 'utf8')).packages
  return Object.entries(wanted).every(
    ([path, { version, optional }]) =>
      path === '' || there[path]?.version === version || (optional && !there[path]),
  )
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

const chromium = { debian: 'chromium', present: () => existsSync('/usr/bin/chromium') }

/** The browser of the tests. */
export const installBrowser = () => installPrograms([chromium])

/** What the sweep needs beside packages: a browser, a proxy, a database server. */
export async function installTestPrograms() {
  const { postgresPrograms } = await import('../test/postgres.mjs')
  installPrograms([
    chromium,
    { debian: 'nginx-light', present: () => existsSync('/usr/sbin/nginx') },
    { debian: 'postgresql', present: () => postgresPrograms() !== undefined },
  ])
}

/** What is built from: folders whole, files by name. */
const sources = [
  'src',
  'public',
  'index.html',
  'vite.config.ts',
  'vite.server.config.ts',
  'package-lock.json',
]
const newestIn = (path) =>
  statSync(path).isDirectory()
    ? Math.max(0, ...readdirSync(path).map((name) => newestIn(join(path, name))))
    : statSync(path).mtimeMs

/** What builds interface and server, where what is built is not newer than everything that it is built from. */
export function builds() {
  const newest = Math.max(...sources.map(newestIn))
  const fresh = (file) => existsSync(file) && statSync(file).mtimeMs > newest
  return [
    ...(fresh('dist/index.html') ? [] : [['vite', 'build', '--logLevel', 'warn']]),
    ...(fresh(serverMain)
      ? []
      : [['vite', 'build', '--logLevel', 'warn', '--config', 'vite.server.config.ts']]),
  ]
}
export function build() {
  for (const [name, ...args] of builds()) tool(name, args)
}

/** Unit tests of every folder; those with the tag “sweep” take their time. */
export const unitProjects = ['core', 'server', 'web'].flatMap((name) => ['--project', name])

export const serverMain = 'built/server/main.js'
