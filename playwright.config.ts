import { defineConfig } from '@playwright/test'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const port = 4187
/** A machine whose cores are shared with others takes up to three times as long. */
const patience = process.env.CI ? 3 : 1
/** The stories of the main job, which `npm test` tells; the others are told by `npm run sweep`. */
const mainJob = /(story|build|real-board)\.spec/
// Workers load this file again: the folder is made once and handed on.
process.env.BRACHYON_E2E_DATA ??= mkdtempSync(join(tmpdir(), 'brachyon-e2e-'))

const launchOptions = {
  executablePath: '/usr/bin/chromium',
  // With the scroll bars that everybody sees: headless hides them, and what they push aside with them.
  ignoreDefaultArgs: ['--hide-scrollbars'],
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}

export default defineConfig({
  testDir: 'e2e',
  // Two at once, on two cores: each is slower than it would be alone.
  timeout: 300_000 * patience,
  expect: { timeout: 20_000 * patience },
  // Where a machine's cores are taken by others, a story may run out of time once.
  retries: process.env.CI ? 1 : 0,
  fullyParallel: false,
  workers: 2,
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    // What is not there in half a minute is not coming: it is said at once, not when the story’s time is up.
    actionTimeout: 30_000 * patience,
    launchOptions,
  },
  projects: [
    { name: 'e2e', testMatch: mainJob, grepInvert: /@sweep/ },
    { name: 'sweep', testIgnore: [mainJob, /shots\.spec/] },
    { name: 'sweep-more', testMatch: mainJob, grep: /@sweep/ },
    { name: 'shots', testMatch: /shots\.spec/ },
  ],
  webServer: {
    // Stories begin with a new school; pictures are taken of one in the middle of a term.
    command: `node built/server/main.js --demo ${process.env.BRACHYON_SHOW_TERM ? '' : '--new'}`,
    url: `http://127.0.0.1:${port}/api/session`,
    env: { PORT: String(port), BRACHYON_DATA: process.env.BRACHYON_E2E_DATA },
    reuseExistingServer: false,
    timeout: 60_000 * patience,
  },
})
