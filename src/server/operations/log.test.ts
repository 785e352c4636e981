import { mkdtempSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { openLog } from './log'

it('a log file rotates at its size, keeps as many as it is told, and loses nothing of the newest', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-log-'))
  const log = await openLog({ level: 'info' }, { file: join(folder, 'brachyon'), size: '4k', keep: 2 })
  for (let n = 0; n < 400; n++) {
    log.info({ n }, 'a line of about a hundred letters, so that a few dozen of them fill a file to its size')
    if (n % 20 === 0) await new Promise((resolve) => setTimeout(resolve, 10))
  }
  const files = () => readdirSync(folder).filter((name) => statSync(join(folder, name)).isFile())
  await expect.poll(() => files().length, { timeout: 10_000 }).toBeLessThanOrEqual(3)
  const text = () =>
    files()
      .map((name) => readFileSync(join(folder, name), 'utf8'))
      .join('')
  await expect.poll(text, { timeout: 10_000 }).toContain('"n":399')
  for (const name of files()) expect(statSync(join(folder, name)).size).toBeLessThan(12_000)
  expect(text()).not.toContain('"n":1,')
})
