import { build, installPackages } from './prepare.mjs'

// Interface and server, as `npm start` and the unit for systemd run them.
installPackages()
build()
