import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { readCircuitText } from '../../core/editing'
import { readAttempt, type WorkedAttempt } from '../../core/formats'

let made: WorkedAttempt | undefined

/** An attempt that ships with us, on which the effect of a rubric is shown: good work with a slip or two. */
export function sampleAttempt(): WorkedAttempt {
  if (made) return made
  const text = (path: string) =>
    readFileSync(fileURLToPath(new URL(`../../../${path}`, import.meta.url)), 'utf8')
  const read = readAttempt(JSON.parse(text('demo/attempts/lamp-plug.json')), (path) =>
    readCircuitText(text(path)),
  )
  if (!read.ok) throw new Error('the sample attempt cannot be read')
  return (made = read.value)
}
