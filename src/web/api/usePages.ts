import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import { computed, type ComputedRef } from 'vue'
import type { z } from 'zod'
import { ask, messageOf } from './client'
import { askAgain, serverCache } from './server-cache'

/** One page of a list, as the server answers it. */
interface PageOf<R> {
  readonly rows: readonly R[]
  readonly count: number
  readonly after: string | null
}
type RowOf<S extends z.ZodType> = z.output<S> extends PageOf<infer R> ? R : never

/** A list that comes page by page. */
export interface Pages<R, P = unknown> {
  /** The first page as it came; undefined before. */
  readonly first: ComputedRef<P | undefined>
  /** All rows that have come so far. */
  readonly rows: ComputedRef<readonly R[]>
  /** How many there are in all. */
  readonly count: ComputedRef<number>
  readonly loading: ComputedRef<boolean>
  /** Why the newest could not be had; empty where it could. */
  readonly wrong: ComputedRef<string>
  /** Asks for the next page. */
  readonly more: () => Promise<void>
  /** Asks again for what is shown: an act has changed it. */
  readonly again: () => Promise<void>
  /** Waits until the first page is there. @throws what kept it away */
  readonly ready: () => Promise<void>
}

/**
 * A list that the server hands out by pages. Loading, failing and trying again are handled as for `useServer`.
 * @param path address without `after`; undefined where there is nothing to ask yet
 */
export function usePages<S extends z.ZodType<PageOf<unknown>>>(
  schema: S,
  path: () => string | undefined,
): Pages<RowOf<S>, z.output<S>> {
  const key = computed(() => ['pages', path() ?? ''])
  const query = useInfiniteQuery(
    {
      queryKey: key,
      queryFn: ({ pageParam }) => {
        const address = path()!
        const joint = address.includes('?') ? '&' : '?'
        return ask(schema, pageParam ? `${address}${joint}after=${encodeURIComponent(pageParam)}` : address)
      },
      initialPageParam: '',
      getNextPageParam: (last: PageOf<unknown>) => last.after ?? undefined,
      enabled: computed(() => path() !== undefined),
      placeholderData: keepPreviousData as never,
    },
    serverCache,
  )
  const pages = computed(() => (query.data.value?.pages ?? []) as PageOf<RowOf<S>>[])
  return {
    first: computed(() => query.data.value?.pages[0] as z.output<S> | undefined),
    rows: computed(() => pages.value.flatMap((page) => page.rows)),
    count: computed(() => pages.value[0]?.count ?? 0),
    loading: computed(() => query.isFetching.value),
    wrong: computed(() => (query.error.value ? messageOf(query.error.value) : '')),
    more: async () => void (await query.fetchNextPage()),
    again: async () => {
      if (path() !== undefined) await askAgain(key.value, () => query.refetch())
    },
    ready: async () => {
      await query.suspense()
      if (query.error.value) throw query.error.value
    },
  }
}
