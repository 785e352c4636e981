import { buildInterface, installPackages, tool } from './prepare.mjs'

// The pictures of the README, from the demo school.
installPackages()
buildInterface()
tool('playwright', ['test', '--project=shots'])
