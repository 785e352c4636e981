import type { Message, Problem } from '../../core/document'

/** An expected failure, with the HTTP status and what the person is told. */
export class HttpError extends Error {
  constructor(
    readonly status: number,
    readonly why: Message,
    readonly problems: readonly Problem[] = [],
  ) {
    super(why.code)
  }
}
