import { existsSync } from 'node:fs'
import { build, installPackages, installPrograms, tool } from './prepare.mjs'

// Lint, types, unit, end to end, with what they need installed first. The build's types are checked with the rest.
installPackages()
const { postgresPrograms } = await import('../test/postgres.mjs')
installPrograms([
  { debian: 'chromium', present: () => existsSync('/usr/bin/chromium') },
  { debian: 'nginx-light', present: () => existsSync('/usr/sbin/nginx') },
  { debian: 'postgresql', present: () => postgresPrograms() !== undefined },
])
tool('eslint', ['.', '--max-warnings', '0'])
tool('prettier', ['--check', '--log-level', 'warn', '.'])
tool('vue-tsc', ['--noEmit', '-p', 'tsconfig.json'])
tool('vitest', ['run'])
build()
tool('playwright', ['test', '--project=e2e'])
