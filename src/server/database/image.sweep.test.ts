import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import { afterAll, describe, expect, it } from 'vitest'
import { emptyDatabase } from '../../../test/school'
import { openPglite } from './pglite'

/** What tells one database from another: its letters, its order, its settings, what stands in it. */
const nature = `select json_build_object(
    'database', (select json_agg(json_build_object('name', datname, 'encoding', pg_encoding_to_char(encoding),
      'collate', datcollate, 'ctype', datctype) order by datname) from pg_database),
    'settings', (select json_object_agg(name, setting) from pg_settings
      where name not in ('data_directory', 'config_file', 'hba_file', 'ident_file')),
    'roles', (select json_agg(rolname order by rolname) from pg_roles),
    'extensions', (select json_agg(extname || ' ' || extversion order by extname) from pg_extension),
    'relations', (select count(*) from pg_class),
    'version', version())`

describe('a database that a first start copies', () => {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-image-'))
  afterAll(() => rmSync(folder, { recursive: true, force: true }))

  it('is like one that is made from nothing', async () => {
    const made = await PGlite.create('memory://')
    const copied = await PGlite.create({ loadDataDir: emptyDatabase() })
    const [one, other] = await Promise.all([made, copied].map((pg) => pg.query(nature)))
    expect(other!.rows).toEqual(one!.rows)
    await Promise.all([made.close(), copied.close()])
  })

  it('is copied at the first start only: what is kept since is not written over', async () => {
    const first = await openPglite(folder, emptyDatabase())
    await first.query('create table kept (word text)')
    await first.query('insert into kept values ($1)', ['mine'])
    await first.ready()
    await first.close()
    const second = await openPglite(folder, emptyDatabase())
    expect(await second.query('select word from kept')).toEqual([{ word: 'mine' }])
    await second.close()
  })

  it('that is no database says so, and the next start begins anew', async () => {
    const other = join(folder, 'other')
    await expect(openPglite(other, new Blob(['no archive']))).rejects.toThrow()
    const next = await openPglite(other, emptyDatabase())
    expect(await next.query<{ one: number }>('select 1 as one')).toEqual([{ one: 1 }])
    await next.close()
  })
})
