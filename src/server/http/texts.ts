import { writePath, type Problem, say } from '../../core/document'

/** A character that neither database nor JSON can keep: NUL, or half of a surrogate pair. */
// eslint-disable-next-line no-control-regex
const impossible = /\u0000|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/

/** Where a body holds a text that cannot be kept; also among its names. Its depth is limited before (`bodies`). */
export function textProblems(body: unknown): Problem[] {
  const problems: Problem[] = []
  /** Where `walk` is: written out only where there is a problem. */
  const path: PropertyKey[] = []
  const note = () => problems.push({ where: writePath(path), ...say('document.text') })
  const step = (key: PropertyKey, value: unknown): void => {
    path.push(key)
    walk(value)
    path.pop()
  }
  const walk = (value: unknown): void => {
    if (problems.length >= 8) return
    if (typeof value === 'string') {
      if (impossible.test(value)) note()
    } else if (Array.isArray(value)) value.forEach((one, i) => step(i, one))
    else if (typeof value === 'object' && value !== null)
      for (const [key, one] of Object.entries(value)) {
        if (impossible.test(key)) note()
        else step(key, one)
      }
  }
  walk(body)
  return problems
}
