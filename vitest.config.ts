import { configDefaults, defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    globalSetup: ['test/image.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
    // Vitest leaves one core alone by default, which on two cores halves the pace.
    maxWorkers: 2,
    projects: [
      // The core keeps nothing between tests but what it has worked out: its files share one warm engine.
      { extends: true, test: { name: 'core', include: ['src/core/**/*.test.ts'], isolate: false } },
      {
        extends: true,
        test: {
          name: 'around',
          setupFiles: ['test/words-setup.ts'],
          include: ['src/**/*.test.ts', 'bench/**/*.test.ts', 'test/**/*.test.ts'],
          exclude: [...configDefaults.exclude, 'src/core/**'],
        },
      },
    ],
  },
})
