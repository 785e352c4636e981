import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    include: ['src/**/*.test.ts', 'bench/**/*.test.ts'],
    globalSetup: ['test/image.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
    // Vitest leaves one core alone by default, which on two cores halves the pace.
    maxWorkers: 2,
  },
})
