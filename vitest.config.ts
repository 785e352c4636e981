import { defineConfig } from 'vitest/config'

/** What walks everything, and takes its time, is run by `npm run sweep`: whole files by name, single tests by this tag. */
const tags = [{ name: 'sweep', description: 'takes its time: every circuit, long waits, many at once' }]
const sweep = (folders: string) => [`${folders}/**/*.sweep.test.ts`]
const loop = (folders: string) => [`${folders}/**/!(*.sweep).test.ts`]

const server = { globalSetup: ['test/image.ts'] }

export default defineConfig({
  test: {
    testTimeout: 60_000,
    hookTimeout: 60_000,
    // Where a machine's cores are taken by others, a test may run out of time once.
    retry: process.env.CI ? 1 : 0,
    // Vitest leaves one core alone by default, which on two cores halves the pace.
    maxWorkers: 2,
    // The files of one project share what they have loaded: nothing is kept in it but what can be worked out again.
    isolate: false,
    unstubGlobals: true,
    tags,
    projects: [
      // With the reference engine, which leaves a window behind that the embedded database would take for a browser's.
      { extends: true, test: { name: 'core', include: loop('src/{core,cli}') } },
      { extends: true, test: { name: 'server', ...server, include: loop('src/{server,meter}') } },
      {
        extends: true,
        test: {
          name: 'web',
          setupFiles: ['test/words-setup.ts'],
          include: [...loop('src/web'), ...loop('test')],
        },
      },
      { extends: true, test: { name: 'sweep-core', include: sweep('src/{core,cli}') } },
      { extends: true, test: { name: 'sweep-server', ...server, include: sweep('src/server') } },
      // Commands as they are typed: each has the machine to itself.
      { extends: true, test: { name: 'sweep-commands', include: sweep('test'), fileParallelism: false } },
    ],
  },
})
