import { pathToFileURL } from 'node:url'
import { build, installPackages, installTestPrograms, tool } from './prepare.mjs'

// What `npm test` leaves out because it takes its time: every circuit at every size, colour scheme and language, the long
// stories, servers that are killed and cut off, and every command that the README names, run small.
installPackages()
await installTestPrograms()
build()
const built = { BRACHYON_BUILT: pathToFileURL('built').href }
tool('vitest', ['run', '--project', 'sweep-core', '--project', 'sweep-server'], built)
tool('playwright', ['test', '--project=sweep'])
tool('vitest', ['run', '--project', 'sweep-commands'])
