import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import type { TestProject } from 'vitest/node'
import { openDatabase } from '../src/server/database'
import { loadDemo } from '../src/server/demo/demo'

/** Making a database takes seconds: an empty one and one with the demo school are made once a run, and every test starts from a copy. */
export default async function setup(project: TestProject): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-image-'))
  const keep = async (pg: PGlite, name: string) => {
    const image = await pg.dumpDataDir('none')
    await pg.close()
    const file = join(folder, `${name}.tar`)
    writeFileSync(file, Buffer.from(await image.arrayBuffer()))
    return { file, image }
  }
  const built =
    process.env.BRACHYON_BUILT && new URL(`${process.env.BRACHYON_BUILT}/server/database/empty.tar.gz`)
  const from = built ? { loadDataDir: new Blob([readFileSync(built)]) } : {}
  const empty = await keep(await PGlite.create({ dataDir: 'memory://', ...from }), 'empty')
  const school = join(folder, 'school')
  const database = await openDatabase({ folder: school, image: empty.image }, loadDemo)
  await database.close()
  const demo = await keep(await PGlite.create(join(school, 'pg')), 'demo')
  project.provide('emptyDatabase', empty.file)
  project.provide('demoDatabase', demo.file)
  return () => rmSync(folder, { recursive: true, force: true })
}

declare module 'vitest' {
  export interface ProvidedContext {
    emptyDatabase: string
    demoDatabase: string
  }
}
