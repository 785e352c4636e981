import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import { z } from 'zod'
import { forgetAll } from '../stores/forget'
import { usePages } from './usePages'

const schema = z.object({
  rows: z.array(z.number()),
  count: z.number(),
  after: z.string().nullable(),
})

describe('a list that comes by pages', () => {
  let pages: Record<string, { rows: number[]; count: number; after: string | null } | number>
  let asked: string[]
  const scope = effectScope()
  beforeEach(() => {
    forgetAll()
    asked = []
    vi.stubGlobal('fetch', (url: string) => {
      asked.push(url)
      const page = pages[url]!
      return Promise.resolve(
        typeof page === 'number'
          ? new Response(JSON.stringify({ message: { code: 'missing' } }), { status: page })
          : new Response(JSON.stringify(page)),
      )
    })
  })
  afterEach(() => forgetAll())
  const use = (path: () => string | undefined) => scope.run(() => usePages(schema, path))!

  it('asks for the next page by where the last one ended, until there is none', async () => {
    pages = {
      '/api/list?day=1': { rows: [1, 2], count: 3, after: 'a b' },
      '/api/list?day=1&after=a%20b': { rows: [3], count: 3, after: null },
    }
    const list = use(() => '/list?day=1')
    await list.ready()
    expect([list.rows.value, list.count.value]).toEqual([[1, 2], 3])
    await list.more()
    expect(list.rows.value).toEqual([1, 2, 3])
    await list.more()
    expect(asked).toHaveLength(2)
  })

  it('reads all shown pages anew after an act', async () => {
    pages = {
      '/api/list': { rows: [1], count: 2, after: 'n' },
      '/api/list?after=n': { rows: [2], count: 2, after: null },
    }
    const list = use(() => '/list')
    await list.ready()
    await list.more()
    pages['/api/list'] = { rows: [7], count: 2, after: 'n' }
    await list.again()
    expect(list.rows.value).toEqual([7, 2])
  })

  it('begins anew at another address, and says what was refused', async () => {
    pages = { '/api/a': { rows: [1], count: 1, after: null }, '/api/b': 404 }
    const path = ref('/a')
    const list = use(() => path.value)
    await list.ready()
    path.value = '/b'
    await vi.waitFor(() => expect(list.wrong.value).not.toBe(''))
    expect(asked).toEqual(['/api/a', '/api/b'])
  })
})
