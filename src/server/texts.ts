import { writePath, type Problem } from '../core/document'
import { say } from '../core/document/phrases'

/** A character that neither database nor JSON can keep: NUL, or half of a surrogate pair. */
// eslint-disable-next-line no-control-regex
const impossible = /\u0000|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/

/** Where a body holds a text that cannot be kept; also among its names. */
export function textProblems(body: unknown): Problem[] {
  const problems: Problem[] = []
  const walk = (value: unknown, path: readonly PropertyKey[]): void => {
    if (problems.length >= 8) return
    if (typeof value === 'string') {
      if (impossible.test(value)) problems.push({ where: writePath(path), ...say('text') })
    } else if (Array.isArray(value)) value.forEach((one, i) => walk(one, [...path, i]))
    else if (typeof value === 'object' && value !== null)
      for (const [key, one] of Object.entries(value)) {
        if (impossible.test(key)) problems.push({ where: writePath(path), ...say('text') })
        else walk(one, [...path, key])
      }
  }
  walk(body, [])
  return problems
}
