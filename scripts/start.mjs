import { build, installPackages, run, serverMain } from './prepare.mjs'

// A school of one's own: starts empty, and asks for its first instructor.
installPackages()
build()
run(process.execPath, [serverMain])
