import { createHash } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import compression from 'compression'
import staticPacked from 'express-static-gzip'
import express, { type ErrorRequestHandler, type Express } from 'express'
import helmet from 'helmet'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import { say } from '../core/document'
import type { Database } from './database'
import { failureOf, plainError } from './http/failure'
import { HttpError } from './http/http-error'
import type { Directory } from './accounts/directory'
import { accountRoutes, identify, sameOrigin } from './accounts/routes'
import { readBodies } from './http/bodies'
import { Floor } from './floor/floor'
import { Judge } from './judging'
import { examRoutes } from './exams/routes'
import { floorRoutes } from './floor/routes'
import { classRoutes } from './class/class-routes'
import { circuitRoutes } from './circuits/routes'
import { dayRoutes } from './class/day-routes'
import { deskRoutes } from './orders/desk-routes'
import { lessonRoutes } from './class/lesson-routes'
import { learningRoutes } from './learning/routes'
import { ledgerRoutes } from './ledger/routes'
import { libraryRoutes } from './circuits/library-routes'
import { meterRoutes } from './meters/routes'
import { orderRoutes } from './orders/routes'
import { Room } from './show/room'
import { operationRoutes, schoolRoutes } from './operations/routes'
import { Streams } from './http/streams'
import { roomRoutes } from './show/routes'
import { rubricRoutes } from './orders/rubric-routes'
import type { Workers } from './workers/pool'

export interface Surroundings {
  readonly database: Database
  readonly workers: Workers
  readonly logger: Logger
  /** Where the embedded database lies. */
  readonly folder?: string
  /** Who judges what nobody waits for; one of its own unless given. */
  readonly judge?: Judge
  /** Who watches the workshop; one of its own unless given. */
  readonly floor?: Floor
  /** Who is asked from the wall; one of its own unless given. */
  readonly room?: Room
  /** Answers that stay open; of its own unless given. */
  readonly streams?: Streams
  /** The school's own directory, where people may sign in. */
  readonly directory?: Directory | undefined
  /** Meters may stand at addresses of this machine: for a stand-in. */
  readonly meterOnLoopback?: boolean
  /** What Express is to believe of a proxy in front: `1`, `loopback`, addresses. Nothing unless said. */
  readonly trustProxy?: string | number
  /** What whoever looks after the school asks with (`npm run backup`); nothing is handed out unless there is one. */
  readonly operationsKey?: string
}

const built = fileURLToPath(new URL('../../dist/', import.meta.url))
/** Tells builds of the interface apart. */
const build = existsSync(`${built}index.html`)
  ? createHash('sha256')
      .update(readFileSync(`${built}index.html`))
      .digest('hex')
      .slice(0, 12)
  : 'sources'

/** The whole server as one Express application: JSON under /api, everything else the built interface. */
export function createApp({
  database,
  workers,
  logger,
  trustProxy,
  operationsKey,
  folder,
  judge = new Judge(database, workers),
  floor = new Floor(database),
  room = new Room(database),
  streams = new Streams(database),
  directory,
  meterOnLoopback = false,
}: Surroundings): Express {
  const app = express()
  if (trustProxy !== undefined) app.set('trust proxy', trustProxy)
  app.disable('x-powered-by')
  const packed = compression({
    // What is sent bit by bit is sent at once.
    filter: (req, res) =>
      !String(res.getHeader('content-type')).startsWith('text/event-stream') && compression.filter(req, res),
  })
  // Scripts, styles and letters: what a page may do is said with the page, and need not come with each of them again.
  if (existsSync(built))
    app.use(
      '/assets',
      staticPacked(`${built}assets`, {
        enableBrotli: true,
        orderPreference: ['br', 'gzip'],
        serveStatic: {
          immutable: true,
          maxAge: '1y',
          setHeaders: (res) => {
            res.setHeader('X-Content-Type-Options', 'nosniff')
            res.setHeader('Cross-Origin-Resource-Policy', 'same-origin')
          },
        },
      }),
    )
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          // The component library writes its styles into the page; scripts come from us alone.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          fontSrc: ["'self'", 'data:'],
          workerSrc: ["'self'", 'blob:'],
          objectSrc: ["'none'"],
          frameAncestors: ["'none'"],
          // A workshop runs this over plain HTTP on its own network as often as not.
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  )
  app.use((req, res, next) => {
    // Whoever has come over TLS once is to come over TLS from then on.
    if (req.secure) res.set('Strict-Transport-Security', 'max-age=31536000')
    next()
  })
  app.use(
    pinoHttp({
      logger,
      // Method, path and status only: no cookies, no bodies.
      serializers: {
        req: (req: { method: string; url: string }) => ({ method: req.method, url: req.url }),
        res: (res: { statusCode: number }) => ({ status: res.statusCode }),
        err: plainError,
      },
    }),
  )
  // Packed already: before what packs everything else.
  if (operationsKey) app.use(operationRoutes(database, operationsKey))
  app.use(packed)
  app.get('/health', async (_req, res) => {
    const there = await database.query('select 1').then(
      () => true,
      () => false,
    )
    res.status(there ? 200 : 503).json({ database: there ? 'there' : 'unreachable' })
  })
  const api = express.Router()
  api.use((_req, res, next) => {
    res.set('Cache-Control', 'no-store')
    // A page that was loaded before an upgrade learns that there is a newer one.
    res.set('X-Brachyon-Build', build)
    next()
  })
  api.use(sameOrigin, identify(database), readBodies())
  if (directory) api.use(directory.routes(database))
  api.use(
    accountRoutes(database, directory),
    schoolRoutes(database, folder),
    circuitRoutes(database),
    libraryRoutes(database),
    lessonRoutes(database, workers),
    classRoutes(database),
    dayRoutes(database, workers),
    ledgerRoutes(database, workers),
    learningRoutes(database, workers),
    examRoutes(database, workers),
    orderRoutes(database, workers, judge),
    rubricRoutes(database, workers),
    meterRoutes(database, { onLoopback: meterOnLoopback }),
    floorRoutes(database, floor, streams),
    roomRoutes(database, room, streams),
    deskRoutes(database, workers, judge),
  )
  api.use((_req, _res, next) => next(new HttpError(404, say('school.nothingHere'))))
  app.use('/api', api)
  if (existsSync(built)) {
    app.use(express.static(built, { maxAge: 0 }))
    // What looks like a file and is none is not the page: a monitor would take it for one.
    app.get('/{*path}', (req, res, next) =>
      /\.[^/]*$|^\/\.|^\/assets\//.test(req.path)
        ? next(new HttpError(404, say('school.nothingHere')))
        : res.sendFile('index.html', { root: built }),
    )
  }
  app.use(answerFailure)
  return app
}

const answerFailure: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) return next(error)
  const { status, body, log } = failureOf(error)
  if (log) req.log.error(log)
  res.status(status).json(body)
}
