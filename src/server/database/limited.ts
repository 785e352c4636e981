import { DatabaseFailure, usualLimit, type Limits } from './database'

/** Seconds after which a transaction that is still open is reported. */
export const reportedAfter = 5

/** Hears of a transaction that has been open for `reportedAfter` seconds: where in the code it was begun. */
export type OnSlow = (where: string) => void

/**
 * Runs the work of a transaction with a limit in time. Whatever `work` does, the promise settles: an error that it throws
 * before its first `await` rejects like any other, and so does the limit.
 * @throws DatabaseFailure `slow` where the limit is reached
 */
export async function limited<T>(
  work: () => Promise<T>,
  { longest = usualLimit }: Limits,
  onSlow: OnSlow,
): Promise<T> {
  const begun = new Error('transaction')
  const report = setTimeout(() => onSlow(callerIn(begun.stack ?? '')), reportedAfter * 1000)
  report.unref()
  let limit: ReturnType<typeof setTimeout> | undefined
  try {
    const late = new Promise<never>((_, reject) => {
      limit = setTimeout(() => reject(new DatabaseFailure('slow', '', '')), longest * 1000)
      limit.unref()
    })
    return await Promise.race([(async () => work())(), late])
  } finally {
    clearTimeout(report)
    clearTimeout(limit)
  }
}

/** The first frame of a stack that is not of the database itself, such as `addLesson (lessons.ts:41:9)`. */
function callerIn(stack: string): string {
  const frames = stack.split('\n').filter((line) => line.startsWith('    at '))
  const outside = frames.find((line) => !/[\\/]database[\\/]|node:internal/.test(line)) ?? frames[0] ?? ''
  return outside.replace(/^ +at (async )?/, '').replace(/(file:\/\/)?[^ (]*[\\/]/g, '')
}
