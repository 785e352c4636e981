import { spawnSync } from 'node:child_process'
import { installPackages } from './prepare.mjs'
import { powerCuts } from '../campaign/power-cut.mjs'

// Everything that is drawn by chance, many times over and from a fresh seed; and the power cut a dozen times.
// npm run campaign -- SEED repeats one; -- SEED TIMES CUTS draws more; a path after them keeps to its tests.
installPackages()
const [seed = String(Date.now() % 2 ** 31), times = '10', cuts = '12', only = 'src'] = process.argv.slice(2)
console.log(`seed ${seed}, ${times} times as many cases, ${cuts} power cuts`)
let state = Number(seed) || 1
const random = () => (state = (state * 48271) % 2147483647) / 2147483647
await powerCuts(Number(cuts), random)
const { status } = spawnSync('npx', ['--no-install', 'vitest', 'run', '--testTimeout', '3600000', only], {
  stdio: 'inherit',
  env: { ...process.env, BRACHYON_CAMPAIGN: seed, BRACHYON_TIMES: times },
})
console.log(`seed was ${seed}`)
process.exitCode ||= status ?? 1
