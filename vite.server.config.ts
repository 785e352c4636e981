import { cpSync, writeFileSync } from 'node:fs'
import { PGlite } from '@electric-sql/pglite'
import { defineConfig, type Plugin } from 'vite'

const outDir = process.env.BRACHYON_OUT ?? 'built'

const beside = `${outDir}/server/database`

/** What the server reads at run time beside its code. */
const data: Plugin = {
  name: 'data',
  async closeBundle() {
    cpSync('src/server/database/migrations', `${beside}/migrations`, { recursive: true })
    // A first start copies a database that is made here once: PostgreSQL takes seconds to make one.
    const pg = await PGlite.create('memory://')
    const image = await pg.dumpDataDir('gzip')
    await pg.close()
    writeFileSync(`${beside}/empty.tar.gz`, Buffer.from(await image.arrayBuffer()))
  },
}

/**
 * The server as plain JavaScript, file by file: a loader that turns TypeScript into it while it runs wraps every function
 * that is made, which costs the judge a sixth of its time. Paths beside the sources stay right: as deep as they were.
 */
export default defineConfig({
  plugins: [data],
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
        'server/operations/command': 'src/server/operations/command.ts',
        'server/accounts/password-tasks': 'src/server/accounts/password-tasks.ts',
        'server/workers/tasks': 'src/server/workers/tasks.ts',
        'server/database/thread': 'src/server/database/thread.ts',
      },
      output: { preserveModules: true, preserveModulesRoot: 'src', entryFileNames: '[name].js' },
    },
  },
})
