import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import lockfile from 'proper-lockfile'
import { openDatabase } from '.'
import { emptyDatabase } from '../../../test/school'

it('keeps what was written, rolls back what failed, and lets nobody else into its folder', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-db-'))
  const first = await openDatabase({ folder, image: emptyDatabase() })
  expect(await lockfile.check(folder, { lockfilePath: join(folder, 'in-use.lock') })).toBe(true)
  await first.query(`insert into users (login, name, role, password_hash) values ($1, $2, 'student', '')`, [
    'a',
    "Robert'); drop table users;--",
  ])
  await expect(
    first.transaction(async (tx) => {
      await tx.query('delete from users')
      throw new Error('stop')
    }),
  ).rejects.toThrow('stop')
  await first.close()
  const second = await openDatabase({ folder, image: emptyDatabase() })
  expect(await second.query('select name from users')).toEqual([{ name: "Robert'); drop table users;--" }])
  await second.close()
  rmSync(folder, { recursive: true })
}, 60_000)
