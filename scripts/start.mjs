import { buildInterface, installPackages, run } from './prepare.mjs'

// A school of one's own: starts empty, and asks for its first instructor.
installPackages()
buildInterface()
run(process.execPath, ['--import', 'tsx', 'src/server/main.ts'])
