import { type Words, type Problem, say } from '../../../core/document'
import { looseLoads } from '../../../core/editing'
import { type Circuit } from '../../../core/circuit'
import { formatFor } from '../../../core/formats'

export type FileRead =
  | { readonly ok: true; readonly circuit: Circuit; readonly from: Words; readonly open: readonly Problem[] }
  | { readonly ok: false; readonly problems: readonly Problem[] }

/** More than any circuit is; a file of this size is something else. */
const mostBytes = 2_000_000

/** Reads a file that somebody chose or dropped, by its format. Nothing is changed by reading. */
export async function readFile(file: File): Promise<FileRead> {
  if (file.size > mostBytes)
    return {
      ok: false,
      problems: [{ where: 'file', ...say('school.tooLarge', { size: Math.round(file.size / 1e6) }) }],
    }
  const text = await file.text()
  const { title, read } = formatFor(file.name, text)
  const found = read(text)
  if (!found.ok) return found
  return { ok: true, circuit: found.value, from: title, open: looseLoads(found.value) }
}
