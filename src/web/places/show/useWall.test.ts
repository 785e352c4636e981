import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import { useRemote, useWall, type WallNow } from './useWall'

const [first, second] = [1, 2].map((n) => `6f9619ff-8b86-4d01-b42d-00cf4fc964f${n}`) as [string, string]

type Heard = (event: { data: string }) => void

describe('the wall and its remote', () => {
  let sent: unknown[]
  let sources: Map<string, Heard>[]
  const say = (data: object) =>
    sources.forEach((source) => source.get('wall')?.({ data: JSON.stringify(data) }))
  const now: Omit<WallNow, 'type' | 'wall'> = {
    title: 'Work lamp',
    question: 'What does X2a read?',
    asked: 1,
    all: 4,
    open: true,
    healthy: true,
    faulted: true,
    live: false,
    answers: 0,
  }

  beforeEach(() => {
    sent = []
    sources = []
    vi.stubGlobal('fetch', (_: string, { body }: { body: string }) => {
      sent.push(JSON.parse(body))
      return Promise.resolve(new Response(null, { status: 204 }))
    })
    vi.stubGlobal(
      'EventSource',
      class {
        static CLOSED = 2
        readyState = 1
        private readonly heard = new Map<string, Heard>()
        constructor() {
          sources.push(this.heard)
        }
        addEventListener(name: string, act: Heard) {
          this.heard.set(name, act)
        }
        close() {
          this.heard.clear()
        }
      },
    )
  })
  afterEach(() => vi.unstubAllGlobals())

  it('says where it is when it changes, when it is asked, and that it is gone', async () => {
    const scope = effectScope()
    const asked = ref(1)
    const next = vi.fn()
    const none = () => undefined
    scope.run(() =>
      useWall(() => ({ ...now, asked: asked.value }), {
        next,
        back: none,
        healthy: none,
        faulted: none,
        class: none,
      }),
    )
    say({ type: 'who' })
    expect(sent).toMatchObject([{ type: 'now', ...now }])
    const { wall } = sent[0] as WallNow
    asked.value = 2
    await nextTick()
    expect(sent.at(-1)).toEqual({ type: 'now', wall, ...now, asked: 2 })
    say({ type: 'act', wall, act: 'next' })
    // Another wall of the same instructor is not this one.
    say({ type: 'act', wall: second, act: 'next' })
    expect(next).toHaveBeenCalledOnce()
    // What it says itself comes back to it, and does nothing.
    say({ type: 'now', wall, ...now })
    expect(sent.length).toBe(2)
    scope.stop()
    expect(sent.at(-1)).toEqual({ type: 'gone', wall })
  })

  it('is asked for by a remote, which shows it until it is gone', async () => {
    const scope = effectScope()
    const remote = scope.run(() => useRemote())!
    sources[0]!.get('again')?.({ data: '' })
    expect(sent).toEqual([{ type: 'who' }])
    say({ type: 'now', wall: first, ...now })
    say({ type: 'now', wall: second, ...now, title: 'Cooling fan' })
    expect(remote.now.value).toMatchObject({ wall: first, question: 'What does X2a read?' })
    await remote.press('back')
    expect(sent.at(-1)).toEqual({ type: 'act', wall: first, act: 'back' })
    remote.chosen.value = second
    expect(remote.now.value?.title).toBe('Cooling fan')
    say({ type: 'gone', wall: second })
    expect(remote.now.value?.wall).toBe(first)
    say({ type: 'gone', wall: first })
    expect(remote.now.value).toBeUndefined()
    scope.stop()
  })
})
