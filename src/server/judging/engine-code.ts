import { createHash } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

/** Built, the engine lies beside the server as JavaScript; run from the sources, as TypeScript. */
const extension = import.meta.url.endsWith('.ts') ? '.ts' : '.js'
const engine = fileURLToPath(new URL(`../../core/assessment/index${extension}`, import.meta.url))

/** Everything that the judge is made of: its own file and, one after the other, what each of them imports of the core. */
export function engineFiles(): readonly string[] {
  const found = new Set<string>()
  const open = [engine]
  for (let file = open.pop(); file !== undefined; file = open.pop()) {
    if (found.has(file)) continue
    found.add(file)
    // What is imported for its type alone is gone when the code runs.
    const code = readFileSync(file, 'utf8').replace(/^(?:im|ex)port type [^;]*? from '[^']*'$/gm, '')
    for (const [, path] of code.matchAll(/(?:from|import) ?\(?['"](\.[^'"]*)['"]/g))
      open.push(resolved(join(dirname(file), path!)))
  }
  return [...found].sort()
}

function resolved(path: string): string {
  if (path.endsWith(extension)) return path
  return existsSync(path + extension) ? path + extension : join(path, `index${extension}`)
}

/** Code without what changes nothing: comments that stand on lines of their own, indentation, empty lines. */
const bare = (code: string): string =>
  code
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line && !/^(\/\/|\/\*|\*)/.test(line))
    .join('\n')

/**
 * A digest of the code that judges. What was worked out by other code is not taken for what this code would say: nobody
 * has to remember to raise a number when a fault, a prior, a part or a rule changes.
 */
export const engineCode: string = engineFiles()
  .reduce((hash, file) => hash.update(bare(readFileSync(file, 'utf8'))), createHash('sha256'))
  .digest('hex')
