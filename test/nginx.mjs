import { execFileSync, spawn } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { connect } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

/** The examples for nginx in the manual, in their order: one process, and several. */
const examples = () =>
  [...readFileSync('docs/running.md', 'utf8').matchAll(/```nginx\n([\s\S]*?)```/g)].map((match) => match[1])

const listens = (port) =>
  new Promise((resolve) => {
    const socket = connect(port, '127.0.0.1')
    socket.once('connect', () => resolve(true)).once('error', () => resolve(false))
    socket.once('connect', () => socket.destroy())
  })

/**
 * nginx as the manual sets it up, over TLS with a certificate of its own, on loopback; once it listens.
 * @param {{ port: number, servers: readonly number[] }} where it listens, and the ports of the processes behind it
 * @returns {Promise<{ folder: string, stop: () => void }>}
 * @throws {Error} when it does not listen within ten seconds, with what it wrote to its log
 */
export async function startNginx({ port, servers }) {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-nginx-'))
  const certificate = ['-keyout', join(folder, 'key.pem'), '-out', join(folder, 'cert.pem')]
  execFileSync(
    'openssl',
    [
      'req',
      '-x509',
      '-newkey',
      'rsa:2048',
      '-nodes',
      '-days',
      '2',
      '-subj',
      '/CN=school.example',
      ...certificate,
    ],
    { stdio: 'ignore' },
  )
  let site = examples()
    [servers.length > 1 ? 1 : 0].replace('listen 443 ssl', `listen 127.0.0.1:${port} ssl`)
    .replace('/etc/ssl/school.pem', join(folder, 'cert.pem'))
    .replace('/etc/ssl/school.key', join(folder, 'key.pem'))
  // Whole numbers only: the port that it listens on may begin with one of these.
  site = site.replace(/127\.0\.0\.1:(417[3-9])\b/g, (all, own) => {
    const server = servers[Number(own) - 4173]
    return server === undefined ? all : `127.0.0.1:${server}`
  })
  const paths = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi']
    .map((name) => `${name}_temp_path ${folder}/${name};`)
    .join(' ')
  writeFileSync(
    join(folder, 'nginx.conf'),
    `${process.getuid?.() === 0 ? 'user root;' : ''} daemon off; pid ${folder}/pid; error_log ${folder}/error.log;
     events {} http { access_log off; ${paths} ${site} }`,
  )
  const child = spawn('/usr/sbin/nginx', [
    '-p',
    folder,
    '-e',
    join(folder, 'error.log'),
    '-c',
    join(folder, 'nginx.conf'),
  ])
  const until = Date.now() + 10_000
  while (!(await listens(port))) {
    if (child.exitCode !== null || Date.now() > until)
      throw new Error(
        `nginx does not listen on port ${port}: ${readFileSync(join(folder, 'error.log'), 'utf8')}`,
      )
    await new Promise((done) => setTimeout(done, 20))
  }
  return {
    folder,
    stop: () => {
      child.kill()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
