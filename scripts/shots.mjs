import { build, installPackages, tool } from './prepare.mjs'

// The pictures of the README, from the demo school.
installPackages()
build()
tool('playwright', ['test', '--project=shots'])
