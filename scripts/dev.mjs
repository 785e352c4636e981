import { spawn } from 'node:child_process'
import { installPackages } from './prepare.mjs'

// The server with the demo school, restarted on change, and the interface with hot reload in front of it.
installPackages()
const port = process.env.PORT ?? '4173'
const pages = process.env.BRACHYON_DEV_PORT ?? '5173'
const env = { ...process.env, PORT: port, BRACHYON_API: `http://127.0.0.1:${port}` }
const children = [
  spawn('npx', ['--no-install', 'tsx', 'watch', 'src/server/main.ts', '--demo'], { stdio: 'inherit', env }),
  spawn('npx', ['--no-install', 'vite', '--port', pages], { stdio: 'inherit', env }),
]
for (const child of children) child.on('exit', () => children.forEach((other) => other.kill()))
for (const signal of ['SIGINT', 'SIGTERM'])
  process.once(signal, () => children.forEach((child) => child.kill()))
