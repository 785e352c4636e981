import { spawn } from 'node:child_process'
import { installPackages } from './prepare.mjs'

// The server with the demo school, restarted on change, and the interface with hot reload in front of it.
installPackages()
const children = [
  spawn('npx', ['--no-install', 'tsx', 'watch', 'src/server/main.ts', '--demo'], { stdio: 'inherit' }),
  spawn('npx', ['--no-install', 'vite'], { stdio: 'inherit' }),
]
for (const child of children) child.on('exit', () => children.forEach((other) => other.kill()))
