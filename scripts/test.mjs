import { pathToFileURL } from 'node:url'
import { builds, installPackages, installBrowser, together, tool, unitProjects } from './prepare.mjs'

// A person's loop: lint, types, unit tests and the stories of the main job, with what they need installed first. What walks
// everything at every size is `npm run sweep`.
installPackages()
installBrowser()
await together([
  ['vue-tsc', '--noEmit', '-p', 'tsconfig.json'],
  ['eslint', '.', '--max-warnings', '0'],
  ['prettier', '--check', '--cache', '--log-level', 'warn', '.'],
  ...builds(),
])
// Threads and servers that unit tests start are those just built: nobody waits for TypeScript in each of them.
const built = { BRACHYON_BUILT: pathToFileURL('built').href }
tool('vitest', ['run', ...unitProjects, '--tags-filter=!sweep'], built)
tool('playwright', ['test', '--project=e2e'])
