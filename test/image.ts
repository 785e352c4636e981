import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PGlite } from '@electric-sql/pglite'
import type { TestProject } from 'vitest/node'

/** Making an empty embedded database takes seconds: it is done once a run, and every test starts from a copy. */
export default async function setup(project: TestProject): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-image-'))
  const pg = await PGlite.create('memory://')
  const image = await pg.dumpDataDir('none')
  await pg.close()
  const file = join(folder, 'empty.tar')
  writeFileSync(file, Buffer.from(await image.arrayBuffer()))
  project.provide('emptyDatabase', file)
  return () => rmSync(folder, { recursive: true, force: true })
}

declare module 'vitest' {
  export interface ProvidedContext {
    emptyDatabase: string
  }
}
