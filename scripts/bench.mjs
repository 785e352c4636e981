import { spawnSync } from 'node:child_process'
import { build } from 'vite'
import { pathToFileURL } from 'node:url'
import { resolve } from 'node:path'

// Bundled as the browser's code is: what is timed is what runs, not a loader's wrapping of it.
const outDir = 'node_modules/.cache/brachyon-bench'
await build({
  configFile: false,
  logLevel: 'warn',
  build: { ssr: 'bench/index.ts', outDir, emptyOutDir: true, target: 'node20', minify: false },
})
await import(pathToFileURL(resolve(outDir, 'index.js')).href)

console.log('\nWhat a promise costs: the embedded database on this disk')
spawnSync('npx', ['--no-install', 'tsx', 'bench/storage.ts'], { stdio: 'inherit' })

// Through the server’s own threads, as they run there: file by file, where a thread finds its tasks.
await build({
  configFile: false,
  logLevel: 'warn',
  build: {
    ssr: true,
    outDir: `${outDir}/class`,
    emptyOutDir: true,
    target: 'node20',
    minify: false,
    rollupOptions: {
      input: { 'bench/class': 'bench/class.ts', 'src/server/workers/tasks': 'src/server/workers/tasks.ts' },
      output: { preserveModules: true, preserveModulesRoot: '.', entryFileNames: '[name].js' },
    },
  },
})
console.log('\nA class judged at once')
const { status } = spawnSync(process.execPath, [`${outDir}/class/bench/class.js`], { stdio: 'inherit' })
process.exitCode = status ?? 1
