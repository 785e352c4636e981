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
