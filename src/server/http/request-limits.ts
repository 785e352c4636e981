import type { RequestHandler, Response } from 'express'
import { ipKeyGenerator, rateLimit, type Store } from 'express-rate-limit'
import type { Message } from '../../core/document'
import { often, type Database } from '../database'
import { HttpError } from './http-error'

/** Full windows that a process remembers; beyond them the database is asked again. */
const mostRemembered = 10_000

/**
 * Counts requests where the accounts are: for all server processes together. The table is not logged, so that counting
 * waits for no disk.
 */
class CountedInDatabase implements Store {
  /** Whose window is full, and until when: told from here, without asking again. */
  private readonly full = new Map<string, { readonly totalHits: number; readonly until: number }>()

  constructor(
    private readonly db: Database,
    readonly prefix: string,
    private readonly most: number,
    private readonly seconds: number,
  ) {}

  async increment(key: string): Promise<{ totalHits: number; resetTime: Date }> {
    const full = this.full.get(key)
    if (full && full.until > performance.now())
      return {
        totalHits: full.totalHits,
        resetTime: new Date(Date.now() + full.until - performance.now()),
      }
    this.full.delete(key)
    // A window that begins in the future was begun by a clock that was wrong.
    const over = `(request_counts.since < now() - $2 * interval '1 second' or request_counts.since > now())`
    const [row] = await this.db.query<{ count: number; left: number }>(
      often(`insert into request_counts (key, count) values ($1, 1)
       on conflict (key) do update set
         count = case when ${over} then 1 else request_counts.count + 1 end,
         since = case when ${over} then now() else request_counts.since end
       returning count, extract(epoch from since - now())::float8 + $2 as left`),
      [this.prefix + key, this.seconds],
    )
    const { count, left } = row!
    if (count > this.most) this.remember(key, count, left)
    return { totalHits: count, resetTime: new Date(Date.now() + 1000 * left) }
  }

  private remember(key: string, totalHits: number, seconds: number): void {
    if (this.full.size >= mostRemembered) this.full.clear()
    this.full.set(key, { totalHits, until: performance.now() + 1000 * seconds })
  }

  async decrement(key: string): Promise<void> {
    await this.db.query('update request_counts set count = greatest(0, count - 1) where key = $1', [
      this.prefix + key,
    ])
  }

  async resetKey(key: string): Promise<void> {
    this.full.delete(key)
    await this.db.query('delete from request_counts where key = $1', [this.prefix + key])
  }
}

export interface RequestLimit {
  /** What is counted; a word of its own for each limit. */
  readonly name: string
  readonly most: number
  readonly seconds: number
  /** Whose requests are counted together; those of an address unless said. */
  readonly by?: (res: Response) => string
  /** Counts only what was refused. */
  readonly onlyRefused?: boolean
  readonly why: Message
}

/** Refuses with 429 what is more than `most` requests in `seconds`. */
export function limitRequests(
  db: Database,
  { name, most, seconds, by, onlyRefused = false, why }: RequestLimit,
): RequestHandler {
  return rateLimit({
    windowMs: 1000 * seconds,
    limit: most,
    store: new CountedInDatabase(db, `${name} `, most, seconds),
    keyGenerator: (req, res) => (by ? by(res as Response) : ipKeyGenerator(req.ip ?? '')),
    skipSuccessfulRequests: onlyRefused,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    // What a visitor says of an address is believed only of a proxy that was named: there is nothing to warn of.
    validate: { xForwardedForHeader: false, keyGeneratorIpFallback: false },
    handler: (_req, _res, next) => next(new HttpError(429, why)),
  })
}

/** Forgets counts of windows that are over. */
export const forgetOldCounts = (db: Database): Promise<unknown> =>
  db.query(`delete from request_counts where since < now() - interval '1 day' or since > now()`)
