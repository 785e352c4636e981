import type { Problem } from '../core/circuit'

/** An expected failure, with the HTTP status and the words that the person gets. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly problems: readonly Problem[] = [],
  ) {
    super(message)
  }
}
