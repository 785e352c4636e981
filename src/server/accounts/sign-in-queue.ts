import type { Request, RequestHandler } from 'express'
import { ipKeyGenerator } from 'express-rate-limit'
import { say } from '../../core/document'
import type { Database } from '../database'
import { HttpError } from '../http/http-error'
import { deviceSource } from './devices'
import { FairQueue } from './fair-queue'

/** Sign-ins that are looked at together: a stranger's four hundred ask the database for as little at a time. */
const atOnce = 4
/** Those that may wait in all, and those from one place: a class that comes in together fits. */
const mostWaiting = 300
const mostOfPlace = 120
/** Questions whether a browser is known that may be under way, besides. */
const mostLookups = 20

/**
 * Lets what somebody sends who is not signed in through a few at a time, in turn from each place and account. Where it comes
 * from is kept in `res.locals.source`: the browser where this account has signed in from it before, else the address.
 * @param accountOf whose it is, as far as it says so
 */
export function signInQueue(
  db: Database,
  deviceOf: (req: Request) => string | undefined,
  accountOf: (req: Request) => string,
): RequestHandler {
  const queue = new FairQueue({ atOnce, mostWaiting, mostOfGroup: mostOfPlace })
  let lookups = 0
  const sourceOf = async (req: Request): Promise<string> => {
    const address = ipKeyGenerator(req.ip ?? '')
    const device = deviceOf(req)
    if (!device || lookups >= mostLookups) return address
    lookups++
    try {
      return (await deviceSource(db, accountOf(req), device)) ?? address
    } finally {
      lookups--
    }
  }
  return async (req, res, next) => {
    const source = await sourceOf(req)
    res.locals.source = source
    const done = queue.run(
      source,
      `${source} ${accountOf(req)}`,
      () =>
        new Promise<void>((resolve) => {
          // Whoever has gone meanwhile is not looked at any more.
          if (res.closed || req.socket.destroyed) return resolve()
          res.once('close', resolve)
          next()
        }),
    )
    if (!done) throw new HttpError(503, say('school.tooBusy'))
  }
}
