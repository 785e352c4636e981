import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, type ComputedRef, type Ref } from 'vue'
import type { z } from 'zod'
import { ask, messageOf } from './client'
import { askAgain, serverCache } from './server-cache'

/** What a place has of the server. */
export interface FromServer<T> {
  /** Undefined until it has come for the first time; then what came last, while newer is on its way. */
  readonly data: Ref<T | undefined>
  readonly loading: ComputedRef<boolean>
  /** Why the newest could not be had; empty where it could. */
  readonly wrong: ComputedRef<string>
  /** Asks again: an act has changed it. */
  readonly again: () => Promise<void>
  /** Waits until it is there. @throws what kept it away */
  readonly ready: () => Promise<void>
}

/**
 * What the server has at an address: shown at once where it was seen before, asked anew each time that a place opens, that
 * somebody comes back to the window, and after an act. Loading, failing and trying again are handled here, once.
 * @param path undefined where there is nothing to ask yet
 */
export function useServer<S extends z.ZodType>(
  schema: S,
  path: () => string | undefined,
): FromServer<z.output<S>> {
  const key = computed(() => ['server', path() ?? ''])
  const query = useQuery(
    {
      queryKey: key,
      queryFn: () => ask(schema, path()!),
      enabled: computed(() => path() !== undefined),
      placeholderData: keepPreviousData as never,
    },
    serverCache,
  )
  return {
    data: query.data as Ref<z.output<S> | undefined>,
    loading: computed(() => query.isFetching.value),
    wrong: computed(() => (query.error.value ? messageOf(query.error.value) : '')),
    again: async () => {
      if (path() !== undefined) await askAgain(key.value, () => query.refetch())
    },
    ready: async () => {
      await query.suspense()
      if (query.error.value) throw query.error.value
    },
  }
}
