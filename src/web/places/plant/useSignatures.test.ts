import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { demoCircuit } from '../../../../test/demo'
import type { SightAsk, SightSays } from '../../workers/signatures'
import { useSignatures } from './useSignatures'

class FakeWorker {
  static all: FakeWorker[] = []
  readonly asked: SightAsk[] = []
  onmessage?: (event: { data: SightSays }) => void
  onerror?: () => void
  ended = false
  constructor() {
    FakeWorker.all.push(this)
  }
  postMessage = (ask: SightAsk) => void this.asked.push(ask)
  terminate = () => (this.ended = true)
  says = (data: object) => this.onmessage?.({ data: data as SightSays })
}

const circuit = demoCircuit('sweeper-work-lamp')
describe('seeing every fault by every test', () => {
  let scope: EffectScope
  let signature: ReturnType<typeof useSignatures>
  beforeEach(() => {
    FakeWorker.all = []
    vi.stubGlobal('Worker', FakeWorker)
    vi.stubGlobal('navigator', { hardwareConcurrency: 3 })
    scope = effectScope()
    signature = scope.run(useSignatures)!
  })
  const workers = () => FakeWorker.all
  const idNow = () => workers()[0]!.asked.at(-1)!.id
  const seen = (nth: number, done: number, of: number, found: object[] = []) =>
    workers()[nth]!.says({ type: 'seen', id: idNow(), seen: found, twins: [], done, of })

  it('shares the work out among the cores there are, and adds up how far all of them are', () => {
    signature.begin(circuit, [])
    expect(workers().map(({ asked }) => asked[0]!.share)).toEqual([0, 1, 2].map((nth) => ({ nth, of: 3 })))
    seen(0, 4, 10, [{ fault: 'a' }])
    seen(1, 1, 10, [{ fault: 'b' }])
    expect(signature.progress.value).toEqual({ done: 5, of: 21 })
    seen(2, 2, 10)
    expect(signature.progress.value).toEqual({ done: 7, of: 30 })
    expect(signature.seen.value).toHaveLength(2)
  })

  it('is done when the last of them is', () => {
    signature.begin(circuit, [])
    for (const nth of [2, 0]) workers()[nth]!.says({ type: 'done', id: idNow() })
    expect(signature.progress.value).not.toBe(null)
    workers()[1]!.says({ type: 'done', id: idNow() })
    expect(signature.progress.value).toBe(null)
  })

  it('takes no word of what was asked before', () => {
    signature.begin(circuit, [])
    const old = idNow()
    signature.begin(circuit, [])
    workers()[0]!.says({ type: 'seen', id: old, seen: [{ fault: 'a' }], twins: [], done: 9, of: 9 })
    expect(signature.seen.value).toEqual([])
    // The workers stay: the engine is loaded once.
    expect(workers()).toHaveLength(3)
  })

  it('keeps what has been seen when it is stopped, hears nothing more, and is ready for the next', () => {
    signature.begin(circuit, [])
    const stopped = idNow()
    seen(0, 4, 10, [{ fault: 'a' }])
    signature.stop()
    expect(signature.progress.value).toBe(null)
    workers()[1]!.says({ type: 'seen', id: stopped, seen: [{ fault: 'b' }], twins: [], done: 9, of: 9 })
    expect(signature.seen.value).toHaveLength(1)
    expect(workers()[0]!.asked.at(-1)).toMatchObject({ warm: true })
    const asked = workers()[0]!.asked.length
    signature.stop()
    expect(workers()[0]!.asked).toHaveLength(asked)
  })

  it('ends its workers with whoever uses it, and begins with new ones where one broke', () => {
    signature.begin(circuit, [])
    workers()[1]!.onerror!()
    expect(workers().every(({ ended }) => ended)).toBe(true)
    expect(signature.progress.value).toBe(null)
    signature.begin(circuit, [])
    expect(workers()).toHaveLength(6)
    scope.stop()
    expect(workers().every(({ ended }) => ended)).toBe(true)
  })
})
