import { buildInterface, installPackages, run } from './prepare.mjs'

// Everything on a fresh clone: packages, the built interface, the demo school, the server.
installPackages()
buildInterface()
run(process.execPath, ['--import', 'tsx', 'src/server/main.ts', '--demo'])
