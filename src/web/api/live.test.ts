import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { useLive } from './live'

/** The browser's own, as far as it matters here: what is open, and what becomes of it. */
class FakeSource {
  static readonly CLOSED = 2
  static all: FakeSource[] = []
  readyState = 0
  onopen: (() => void) | null = null
  onerror: (() => void) | null = null
  private readonly heard = new Map<string, (event: { data: string }) => void>()
  constructor(readonly url: string) {
    FakeSource.all.push(this)
  }
  addEventListener = (name: string, heard: (event: { data: string }) => void) => this.heard.set(name, heard)
  close = () => void (this.readyState = FakeSource.CLOSED)
  open() {
    this.readyState = 1
    this.onopen?.()
  }
  say = (name: string, data: unknown = null) => this.heard.get(name)?.({ data: JSON.stringify(data) })
  /** A proxy answers with a page of its own: the browser gives up for good. */
  refuse() {
    this.readyState = FakeSource.CLOSED
    this.onerror?.()
  }
  /** The connection is lost: the browser tries by itself. */
  lose() {
    this.readyState = 0
    this.onerror?.()
  }
}

describe('what a view hears', () => {
  let scope: EffectScope
  let rows: unknown[]
  let again: number
  let live: ReturnType<typeof useLive>
  const last = () => FakeSource.all.at(-1)!

  beforeEach(() => {
    vi.useFakeTimers()
    FakeSource.all = []
    rows = []
    again = 0
    vi.stubGlobal('EventSource', FakeSource)
    scope = effectScope()
    live = scope.run(() => useLive('/floor/live', { row: (row) => rows.push(row) }, () => again++))!
  })
  afterEach(() => {
    scope.stop()
    vi.useRealTimers()
  })

  it('comes, and it says that it is connected', () => {
    expect(live.connected.value).toBe(false)
    last().open()
    last().say('again')
    last().say('row', { id: 1 })
    expect([live.connected.value, again, rows]).toEqual([true, 1, [{ id: 1 }]])
  })

  it('is asked for anew where a proxy has answered in the server’s place, for ever, with growing pauses', async () => {
    last().open()
    const gaps: number[] = []
    for (let n = 0; n < 8; n++) {
      const count = FakeSource.all.length
      last().refuse()
      expect(live.connected.value).toBe(false)
      let waited = 0
      while (FakeSource.all.length === count) {
        await vi.advanceTimersByTimeAsync(100)
        waited += 100
      }
      gaps.push(waited)
    }
    expect(gaps[0]).toBeLessThan(1000)
    expect(gaps).toEqual(gaps.toSorted((a, b) => a - b))
    expect(gaps.at(-1)).toBeLessThan(15_000)
    // Back: what was missed is looked up, and the next trouble is met at once again.
    last().open()
    last().say('again')
    expect([live.connected.value, again]).toEqual([true, 1])
  })

  it('is left to the browser while that tries by itself', async () => {
    last().open()
    last().lose()
    expect(live.connected.value).toBe(false)
    await vi.advanceTimersByTimeAsync(5000)
    expect(FakeSource.all).toHaveLength(1)
    last().open()
    expect(live.connected.value).toBe(true)
  })

  it('is given up and asked for anew where it has fallen silent', async () => {
    last().open()
    for (let n = 0; n < 10; n++) {
      await vi.advanceTimersByTimeAsync(15_000)
      last().say('alive')
    }
    expect(FakeSource.all).toHaveLength(1)
    await vi.advanceTimersByTimeAsync(45_000)
    expect(FakeSource.all).toHaveLength(2)
    expect(FakeSource.all[0]!.readyState).toBe(FakeSource.CLOSED)
  })

  it('ends with the view', async () => {
    last().open()
    scope.stop()
    expect(last().readyState).toBe(FakeSource.CLOSED)
    await vi.advanceTimersByTimeAsync(120_000)
    expect(FakeSource.all).toHaveLength(1)
  })
})
