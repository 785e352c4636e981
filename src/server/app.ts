import { existsSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import express, { type ErrorRequestHandler, type Express } from 'express'
import helmet from 'helmet'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import { z } from 'zod'
import type { Failure } from '../contract'
import { problemsOf } from '../core/circuit'
import type { Database } from './database'
import { Refusal } from './refusal'
import { accountRoutes, identify, sameOrigin } from './routes/account'
import { circuitRoutes } from './routes/circuits'
import { deskRoutes } from './routes/desk'
import { libraryRoutes } from './routes/library'
import { orderRoutes } from './routes/orders'
import type { JudgePool } from './workers/pool'

export interface Surroundings {
  readonly database: Database
  readonly judges: JudgePool
  readonly logger: Logger
}

const built = fileURLToPath(new URL('../../dist/', import.meta.url))

/** The whole server as one Express application: JSON under /api, everything else the built interface. */
export function createApp({ database, judges, logger }: Surroundings): Express {
  const app = express()
  app.disable('x-powered-by')
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
  app.use(
    pinoHttp({
      logger,
      // Method, path and status only: no cookies, no bodies.
      serializers: {
        req: (req: { method: string; url: string }) => ({ method: req.method, url: req.url }),
        res: (res: { statusCode: number }) => ({ status: res.statusCode }),
      },
    }),
  )
  const api = express.Router()
  api.use(express.json({ limit: '2mb' }))
  api.use((_req, res, next) => {
    res.set('Cache-Control', 'no-store')
    next()
  })
  api.use(sameOrigin, identify(database))
  api.use(
    accountRoutes(database),
    circuitRoutes(database),
    libraryRoutes(database),
    orderRoutes(database, judges),
    deskRoutes(database),
  )
  api.use((_req, _res, next) => next(new Refusal(404, 'There is nothing at this address')))
  app.use('/api', api)
  if (existsSync(built)) {
    app.use('/assets', express.static(`${built}assets`, { immutable: true, maxAge: '1y' }))
    app.use(express.static(built, { maxAge: 0 }))
    app.get('/{*path}', (_req, res) => res.sendFile('index.html', { root: built }))
  }
  app.use(answerFailure)
  return app
}

const answerFailure: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) return next(error)
  const failure = (status: number, message: string, problems: Failure['problems'] = []) =>
    res.status(status).json({ message, problems } satisfies Failure)
  if (error instanceof Refusal) return failure(error.status, error.message, [...error.problems])
  if (error instanceof z.ZodError) {
    const problems = problemsOf(error)
    return failure(422, problems[0]?.what ?? 'Something is missing', problems)
  }
  if (isHttpError(error) && error.status < 500) {
    return failure(error.status, error.type === 'entity.parse.failed' ? 'This is not JSON' : error.message)
  }
  req.log.error(error)
  return failure(500, 'Something went wrong on the server; nothing was lost. Try again.')
}

function isHttpError(error: unknown): error is { status: number; type?: string; message: string } {
  return error instanceof Error && 'status' in error && typeof error.status === 'number'
}
