import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { builds, installPackages, installTestPrograms, together, tool, unitProjects } from './prepare.mjs'

// What `npm test` leaves out because it takes its time: every circuit at every size, colour scheme and language, the long
// stories, servers that are killed and cut off, and every command that the README names, run small.
installPackages()
await installTestPrograms()
await together(builds())
const built = { BRACHYON_BUILT: pathToFileURL('built').href }
const tests = ['src', 'test'].flatMap((folder) =>
  readdirSync(folder, { recursive: true })
    .filter((file) => file.endsWith('.test.ts'))
    .map((file) => join(folder, file)),
)
const tagged = tests.filter((file) => readFileSync(file, 'utf8').includes("tags: ['sweep']"))
tool('vitest', ['run', ...unitProjects, '--tags-filter=sweep', ...tagged], built)
tool('vitest', ['run', '--project', 'sweep-core', '--project', 'sweep-server'], built)
tool('playwright', ['test', '--project=sweep', '--project=sweep-more'])
tool('vitest', ['run', '--project', 'sweep-commands'])
