import type { z } from 'zod'

/** What was wrong, where in the document, and what would be accepted. */
export interface Problem {
  /** Such as `parts[3] (L1).parameters.ratedPower`. */
  readonly where: string
  readonly what: string
}

export type Read<T> = { ok: true; value: T } | { ok: false; problems: readonly Problem[] }

export const writePath = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, key) =>
      typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key),
    '',
  ) || 'document'

export function problemsOf(error: z.ZodError, prefix: readonly PropertyKey[] = []): Problem[] {
  return error.issues.map((issue) => ({ where: writePath([...prefix, ...issue.path]), what: issue.message }))
}
