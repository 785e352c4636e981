import { readFileSync } from 'node:fs'
import type { Problem } from '../core/document'
import { tell } from '../core/words'

/** A command that ends early: 1 where what it was given cannot be taken in, 2 where it was called wrongly. */
export class Ended extends Error {
  constructor(
    readonly status: 1 | 2,
    message: string,
  ) {
    super(message)
  }
}

export const list = (file: string, problems: readonly Problem[]): string =>
  problems.map((p) => `${file}: ${p.where}: ${tell(p)}`).join('\n')

export function textOf(file: string): string {
  try {
    return readFileSync(file, 'utf8')
  } catch {
    throw new Ended(1, `${file}: this file cannot be read`)
  }
}
