import { existsSync } from 'node:fs'
import { pathToFileURL } from 'node:url'
import { build, installPackages, installPrograms, together, tool } from './prepare.mjs'

// Lint, types, unit, end to end, with what they need installed first. The build's types are checked with the rest.
installPackages()
const { postgresPrograms } = await import('../test/postgres.mjs')
installPrograms([
  { debian: 'chromium', present: () => existsSync('/usr/bin/chromium') },
  { debian: 'nginx-light', present: () => existsSync('/usr/sbin/nginx') },
  { debian: 'postgresql', present: () => postgresPrograms() !== undefined },
])
await together([
  ['vue-tsc', '--noEmit', '-p', 'tsconfig.json'],
  ['eslint', '.', '--max-warnings', '0'],
  ['prettier', '--check', '--log-level', 'warn', '.'],
])
build()
// Threads and servers that unit tests start are those just built: nobody waits for TypeScript in each of them.
tool('vitest', ['run'], { BRACHYON_BUILT: pathToFileURL('built').href })
tool('playwright', ['test', '--project=e2e'])
