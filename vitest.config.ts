import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    testTimeout: 60_000,
    hookTimeout: 60_000,
    // Vitest leaves one core alone by default, which on two cores halves the pace.
    maxWorkers: 2,
    // The files of one project share what they have loaded: nothing is kept in it but what can be worked out again.
    isolate: false,
    unstubGlobals: true,
    projects: [
      // With the reference engine, which leaves a window behind that the embedded database would take for a browser's.
      { extends: true, test: { name: 'core', include: ['src/{core,cli}/**/*.test.ts'] } },
      {
        extends: true,
        test: {
          name: 'server',
          globalSetup: ['test/image.ts'],
          include: ['src/{server,meter}/**/*.test.ts', 'bench/**/*.test.ts'],
        },
      },
      {
        extends: true,
        test: {
          name: 'web',
          setupFiles: ['test/words-setup.ts'],
          include: ['src/web/**/*.test.ts', 'test/**/*.test.ts'],
        },
      },
    ],
  },
})
