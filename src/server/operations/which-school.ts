import { existsSync, readFileSync, statSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { z } from 'zod'
import { openDatabase, type Database } from '../database'

/** A school by where its data are. */
export type School = { readonly url: string } | { readonly folder: string }

export const openSchool = (school: School): Promise<Database> => openDatabase(school)

/** The nearest folder that exists: `folder` itself, or where it is going to be made. */
const existing = (folder: string): string => (existsSync(folder) ? folder : existing(dirname(folder)))

/**
 * Makes this process write as the owner of a folder, if it runs as root: what root leaves in the data folder, the service
 * cannot open. The answer goes back to being root.
 */
export function becomeOwnerOf(folder: string): () => void {
  const { uid, gid } = statSync(existing(folder))
  if (process.geteuid?.() !== 0 || uid === 0) return () => undefined
  process.setegid?.(gid)
  process.seteuid?.(uid)
  return () => {
    process.seteuid?.(0)
    process.setegid?.(0)
  }
}

const controlSchema = z.object({ port: z.number().int(), host: z.string(), key: z.string() })

/**
 * Asks the server that has an embedded database open, by the key in its data folder: nobody else may open the folder.
 * Undefined where no server runs.
 */
export async function askServer(school: School, path: string, body?: object): Promise<Response | undefined> {
  if ('url' in school) return undefined
  const file = join(school.folder, 'control.json')
  if (!existsSync(file)) return undefined
  const { port, host, key } = controlSchema.parse(JSON.parse(readFileSync(file, 'utf8')))
  return fetch(`http://${host}:${port}${path}`, {
    method: body ? 'POST' : 'GET',
    headers: { authorization: `Bearer ${key}`, ...(body && { 'content-type': 'application/json' }) },
    ...(body && { body: JSON.stringify(body) }),
  }).catch(() => undefined)
}
