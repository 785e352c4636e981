import { build, installPackages, tool } from './prepare.mjs'

// The pictures of the README, from the demo school in the middle of its term.
installPackages()
build()
tool('playwright', ['test', '--project=shots'], { BRACHYON_SHOW_TERM: '1' })
