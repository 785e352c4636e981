import { existsSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'

// Backup, restore and new passwords: what was built, where that is there, else the sources.
const built = fileURLToPath(new URL('../built/server/operations/command.js', import.meta.url))
const program = existsSync(built) ? [built] : ['--import', 'tsx', 'src/server/operations/command.ts']
const { status } = spawnSync(process.execPath, [...program, ...process.argv.slice(2)], { stdio: 'inherit' })
process.exitCode = status ?? 1
