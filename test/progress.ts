import { progressedSchema, type Progressed } from '../src/contract'

/** The lines of an answer that took long. */
export const linesOf = (text: string): Progressed[] =>
  text
    .trim()
    .split('\n')
    .map((line) => progressedSchema.parse(JSON.parse(line)))

/** What came of it, out of its last line. */
export function answerOf(text: string): unknown {
  const last = linesOf(text).at(-1)!
  if (!('answer' in last)) throw new Error(`no answer: ${JSON.stringify(last)}`)
  return last.answer
}
