import { cpSync } from 'node:fs'
import { defineConfig, type Plugin } from 'vite'

const outDir = process.env.BRACHYON_OUT ?? 'built'

/** What the server reads at run time beside its code. */
const migrations: Plugin = {
  name: 'migrations',
  closeBundle: () =>
    cpSync('src/server/database/migrations', `${outDir}/server/database/migrations`, { recursive: true }),
}

/**
 * The server as plain JavaScript, file by file: a loader that turns TypeScript into it while it runs wraps every function
 * that is made, which costs the judge a sixth of its time. Paths beside the sources stay right: as deep as they were.
 */
export default defineConfig({
  plugins: [migrations],
  publicDir: false,
  build: {
    ssr: true,
    outDir,
    emptyOutDir: true,
    target: 'node20',
    minify: false,
    rollupOptions: {
      input: {
        'server/main': 'src/server/main.ts',
        'server/backup-command': 'src/server/backup-command.ts',
        'server/workers/tasks': 'src/server/workers/tasks.ts',
        'server/database/thread': 'src/server/database/thread.ts',
      },
      output: { preserveModules: true, preserveModulesRoot: 'src', entryFileNames: '[name].js' },
    },
  },
})
