import { build, installPackages, run, serverMain } from './prepare.mjs'

// Everything on a fresh clone: packages, the built interface, the demo school, the server.
installPackages()
build()
run(process.execPath, [serverMain, '--demo', ...process.argv.slice(2)])
