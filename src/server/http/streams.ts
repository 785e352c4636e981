import type { Request, Response } from 'express'
import { createSession, type Session } from 'better-sse'
import { say } from '../../core/document'
import { sessionOf, userOf } from '../accounts/routes'
import { endedChannel, standingSessions } from '../accounts/sessions'
import type { Database } from '../database'
import { HttpError } from './http-error'

/** Streams that one person may have open in one server process: a few windows, each with what it listens to. */
const mostOfPerson = 12
/**
 * Milliseconds between two looks whether sessions still stand, and between two signs of life for those who listen; an ended
 * session is heard of at once besides.
 */
const lookEvery = 15_000

interface Open {
  readonly user: string
  readonly session: string
  stream?: Session
}

/**
 * Answers that stay open: what is sent bit by bit to a page. Each belongs to a session and ends with it: whoever signs out,
 * or loses the account, hears nothing any more.
 */
export class Streams {
  private readonly open = new Map<Response, Open>()
  private readonly looking: ReturnType<typeof setInterval>
  private hearing: Promise<() => Promise<void>> | undefined

  constructor(private readonly database: Database) {
    this.looking = setInterval(() => {
      for (const { stream } of this.open.values()) if (stream?.isConnected) stream.push(null, 'alive')
      void this.endOver().catch(() => undefined)
    }, lookEvery)
    this.looking.unref()
  }

  /**
   * Opens a stream for whoever is signed in.
   * @throws HttpError 429 where the person has as many as anybody needs
   */
  async begin(req: Request, res: Response): Promise<Session> {
    const own: Open = { user: userOf(res).id, session: sessionOf(res) }
    const many = [...this.open.values()].filter(({ user }) => user === own.user).length
    if (many >= mostOfPerson) throw new HttpError(429, say('school.tooManyStreams'))
    this.open.set(res, own)
    res.on('close', () => this.open.delete(res))
    await this.hear()
    own.stream = await createSession(req, res)
    return own.stream
  }

  /** Listening begins with the first stream. */
  private hear(): Promise<unknown> {
    return (this.hearing ??= this.database
      .listen(endedChannel, () => void this.endOver().catch(() => undefined))
      .catch((error: unknown) => {
        this.hearing = undefined
        throw error
      }))
  }

  /** Ends the streams of sessions that do not stand any more. */
  private async endOver(): Promise<void> {
    if (!this.open.size) return
    const sessions = [...new Set([...this.open.values()].map(({ session }) => session))]
    const standing = await standingSessions(this.database, sessions)
    for (const [res, { session }] of this.open) if (!standing.has(session)) res.end()
  }

  /** Ends all of them: pages come back by themselves. */
  async close(): Promise<void> {
    clearInterval(this.looking)
    for (const res of this.open.keys()) res.end()
    await (
      await this.hearing?.catch(() => undefined)
    )?.()
  }
}
