import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import { z } from 'zod'
import { forgetAll } from '../stores/forget'
import { useServer } from './useServer'

const schema = z.object({ n: z.number() })

describe('what a place has of the server', () => {
  let answers: (() => Response)[]
  let asked: string[]
  const ok = (n: number) => () => new Response(JSON.stringify({ n }))
  const refused = (status: number) => () =>
    new Response(JSON.stringify({ message: { code: 'missing' } }), { status })
  const scope = effectScope()
  const use = (path: () => string | undefined) => scope.run(() => useServer(schema, path))!
  beforeEach(() => {
    forgetAll()
    asked = []
    answers = []
    vi.stubGlobal('fetch', (url: string) => {
      asked.push(url)
      return Promise.resolve(answers.shift()!())
    })
  })
  afterEach(() => forgetAll())

  it('comes once, is there at once the next time, and is asked anew', async () => {
    answers = [ok(1), ok(2)]
    const first = use(() => '/a')
    await first.ready()
    expect(first.data.value).toEqual({ n: 1 })
    await first.again()
    expect(first.data.value).toEqual({ n: 2 })
    expect(asked).toEqual(['/api/a', '/api/a'])
  })

  it('is asked once more after an act, though the first answer is still on its way', async () => {
    answers = [ok(6), ok(7)]
    const list = use(() => '/f')
    await list.again()
    expect(list.data.value).toEqual({ n: 7 })
    expect(asked).toEqual(['/api/f', '/api/f'])
    const nothing = use(() => undefined)
    await nothing.again()
    expect(asked).toHaveLength(2)
  })

  it('is asked again where nobody answers, and says what was refused without asking again', async () => {
    answers = [refused(503), ok(3), refused(404)]
    const flaky = use(() => '/b')
    await flaky.ready()
    expect(flaky.data.value).toEqual({ n: 3 })
    const gone = use(() => '/c')
    await expect(gone.ready()).rejects.toThrow()
    expect(gone.wrong.value).toBeTruthy()
    expect(asked).toEqual(['/api/b', '/api/b', '/api/c'])
  })

  it('keeps what was shown while the next is on its way, and asks nothing where there is nothing to ask', async () => {
    answers = [ok(4), ok(5)]
    const path = ref<string | undefined>(undefined)
    const list = use(() => path.value)
    await Promise.resolve()
    expect(asked).toEqual([])
    path.value = '/d'
    await vi.waitFor(() => expect(list.data.value).toEqual({ n: 4 }))
    path.value = '/e'
    await Promise.resolve()
    expect(list.data.value).toEqual({ n: 4 })
    await vi.waitFor(() => expect(list.data.value).toEqual({ n: 5 }))
  })

  it('is forgotten when somebody signs out', async () => {
    answers = [ok(6), ok(7)]
    await use(() => '/f').ready()
    forgetAll()
    const next = use(() => '/f')
    expect(next.data.value).toBeUndefined()
    await next.ready()
    expect(next.data.value).toEqual({ n: 7 })
  })
})
