import { buildInterface, installPackages, tool } from './prepare.mjs'

// Frames of the real interface, on this machine.
installPackages()
buildInterface()
tool('tsx', ['bench/frames.ts'])
