import { z } from 'zod'
import { say, problemsOf, type Message } from '../../core/document'
import { type Failure } from '../../contract'
import { DatabaseFailure, type Trouble } from '../database'
import { HttpError } from './http-error'

/** What whoever asked is told of an error, with its status; and what belongs into the log, where something does. */
export interface Told {
  readonly status: number
  readonly body: Failure
  readonly log?: object
}

export function failureOf(error: unknown): Told {
  const failure = (
    status: number,
    { code, params }: Message,
    problems: Failure['problems'] = [],
    log?: object,
  ): Told => ({
    status,
    body: { message: { code, ...(params && { params }) }, problems },
    ...(log && { log }),
  })
  if (error instanceof HttpError) return failure(error.status, error.why, [...error.problems])
  if (error instanceof z.ZodError) {
    const problems = problemsOf(error)
    return failure(422, problems[0] ?? say('school.missing'), problems)
  }
  if (error instanceof DatabaseFailure && error.trouble !== 'other') {
    const [status, why] = troubles[error.trouble]
    const logged = error.trouble === 'full' || error.trouble === 'slow'
    return failure(status, why, [], logged ? plainError(error) : undefined)
  }
  if (isHttpError(error) && error.status < 500) {
    const why =
      error.type === 'entity.parse.failed'
        ? say('school.notJson')
        : error.status === 413
          ? say('school.tooBig')
          : error.status === 404
            ? say('school.nothingHere')
            : say('school.refused')
    return failure(error.status, why)
  }
  return failure(500, say('school.broken'), [], plainError(error))
}

/** What a person is told where the database could not do what was asked; anything else is a fault of ours. */
const troubles: Readonly<Record<Exclude<Trouble, 'other'>, readonly [status: number, why: Message]>> = {
  unreachable: [503, say('school.noDatabase')],
  slow: [503, say('school.tooBusy')],
  full: [507, say('school.diskFull')],
  duplicate: [409, say('school.thereAlready')],
  gone: [409, say('school.goneMeanwhile')],
  unfit: [422, say('school.unfitValue')],
}

/** An error as it may stand in a log: its name and where it came from; a driver's own text can hold what was bound. */
export function plainError(error: unknown): object {
  if (!(error instanceof Error)) return { type: typeof error }
  const frames = (error.stack ?? '')
    .split('\n')
    .filter((line) => line.startsWith('    at '))
    .slice(0, 12)
  const ours = error instanceof DatabaseFailure
  return { type: error.name, message: ours ? error.message : withoutValues(error.message), frames }
}

/** The first words of a message, up to where a value may begin. */
const withoutValues = (message: string): string => message.split(/["'“‘(:\n]/)[0]!.slice(0, 120)

function isHttpError(error: unknown): error is { status: number; type?: string; message: string } {
  return error instanceof Error && 'status' in error && typeof error.status === 'number'
}
