import { QueryClient } from '@tanstack/vue-query'
import { onForget } from '../stores/forget'
import { RequestFailure } from './client'

/** Times that a question is asked again where nobody answers just now. */
const tries = 3

/** What the server has said so far, shared by all places. */
export const serverCache = new QueryClient({
  defaultOptions: {
    queries: {
      // What was refused is refused again; what did not arrive may arrive.
      retry: (count, error) => error instanceof RequestFailure && error.isTemporary && count < tries,
      retryDelay: (count) => Math.min(4000, 500 * 2 ** count),
      // A workshop’s server stands on the same table, whatever the browser thinks of the network.
      networkMode: 'always',
      refetchOnWindowFocus: true,
      structuralSharing: false,
    },
  },
})
onForget(() => serverCache.clear())

/**
 * Asks again for what an act has changed. What is on its way for the first time was asked before the act: it is waited for,
 * and asked once more.
 * @param key under which it is kept
 * @param refetch of the query that shows it
 */
export async function askAgain(key: readonly string[], refetch: () => Promise<unknown>): Promise<void> {
  const state = serverCache.getQueryState(key)
  if (state?.fetchStatus === 'fetching' && state.data === undefined) await refetch()
  await refetch()
}
