import type pg from 'pg'
import { usualLimit } from './database'

/** Milliseconds to wait for a connection before saying that there is none. */
const connectWithin = 3000
/**
 * Milliseconds that a statement gets. The server stops it then; where the server does not answer at all, because the
 * network between swallows everything, we stop waiting a moment later and give the connection up.
 */
const statementWithin = 7000
const answerWithin = statementWithin + 1000

/** What every connection of ours is made with. */
export const connectionTo = (url: string): pg.ClientConfig => ({
  connectionString: url,
  connectionTimeoutMillis: connectWithin,
  statement_timeout: statementWithin,
  query_timeout: answerWithin,
  idle_in_transaction_session_timeout: 1000 * (usualLimit + 5),
  keepAlive: true,
  application_name: 'brachyon',
})
