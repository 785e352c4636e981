import { build, installPackages, tool } from './prepare.mjs'

// Frames of the real interface, on this machine.
installPackages()
build()
tool('tsx', ['bench/frames.ts'])
