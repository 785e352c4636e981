import { tell } from '../../core/words'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { demoCircuit } from '../../../test/demo'
import type { Plant, StoredCircuit } from '../../contract'
import { applyEdit, type Edit } from '../../core/editing'
import { setOwner } from '../api/unsent'
import { useCircuit } from './circuit'

const id = '6f9619ff-8b86-4d01-b42d-00cf4fc964ff'
const length = (value: number): Edit => ({ type: 'setParameter', part: 'W3', name: 'length', value })

/** A browser's memory, which outlives a page. */
function memory() {
  const kept = new Map<string, string>()
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  })
  return kept
}

interface Asked {
  readonly method: string
  readonly path: string
  readonly body: unknown
}

/** A server that does as the real one; `meddle` changes its answer to an edit, `down` cuts the wire. */
function pretendServer() {
  let stored: StoredCircuit = {
    id,
    revision: 1,
    circuit: demoCircuit(),
    undo: false,
    redo: false,
    plant: null,
  }
  const asked: Asked[] = []
  const keys = new Set<string>()
  const server = {
    asked,
    down: false,
    /** The session has ended. */
    out: false,
    /** The answer to the next edit is lost on the way, though the edit is made. */
    lose: false,
    refuse: '',
    meddle: (answer: StoredCircuit) => answer,
    now: () => stored,
    plants: () => asked.filter((a) => a.path.endsWith('/plant')).map((a) => a.body as Plant),
  }
  vi.stubGlobal('fetch', (url: string, { method, body }: { method: string; body?: string }) => {
    if (server.down) return Promise.reject(new TypeError('down'))
    const parsed: unknown = body === undefined ? undefined : JSON.parse(body)
    if (server.out)
      return Promise.resolve(
        new Response(JSON.stringify({ message: { code: 'school.signInFirst' }, problems: [] }), {
          status: 401,
        }),
      )
    asked.push({ method, path: url.replace('/api', ''), body: parsed })
    if (server.refuse && method === 'POST')
      return Promise.resolve(
        new Response(
          JSON.stringify({
            message: { code: 'document.other', params: { words: server.refuse } },
            problems: [],
          }),
          { status: 409 },
        ),
      )
    if (url.endsWith('/plant')) {
      stored = { ...stored, plant: parsed as Plant }
      return Promise.resolve(new Response(null, { status: 204 }))
    }
    if (url.endsWith('/edits')) {
      const { revision, edit, key } = parsed as { revision: number; edit: Edit; key: string }
      // As the real one: under the same key it is made once.
      if (keys.has(key)) return Promise.resolve(new Response(JSON.stringify(stored)))
      keys.add(key)
      if (revision !== stored.revision)
        throw new Error(`edit of revision ${revision}, not ${stored.revision}`)
      const edited = applyEdit(stored.circuit, edit)
      if (!edited.ok) throw new Error(tell(edited.problem))
      stored = server.meddle({ ...stored, circuit: edited.circuit, revision: revision + 1, undo: true })
      if (server.lose) {
        server.lose = false
        return Promise.reject(new TypeError('lost on the way'))
      }
    }
    return Promise.resolve(new Response(JSON.stringify(stored)))
  })
  return server
}

const plantOf = (severity: number): Plant => ({
  faults: [{ kind: 'highResistance', part: 'G1', segment: 'eyelet', severity }],
  state: 'on',
  limits: '',
  complaint: '',
})

describe('the circuit that is worked on', () => {
  let server: ReturnType<typeof pretendServer>
  let store: ReturnType<typeof useCircuit>
  const metres = () => store.circuit!.parts.find((p) => p.id === 'W3')!.parameters.length

  beforeEach(async () => {
    setActivePinia(createPinia())
    server = pretendServer()
    store = useCircuit()
    await store.load(id)
  })
  afterEach(() => {
    setOwner(null)
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })

  it('shows a change before it is saved, and says when it is', async () => {
    expect(store.edit(length(4))).toBe(true)
    expect(metres()).toBe(4)
    expect(store.saveState).toBe('saving')
    await store.settled()
    expect(store.saveState).toBe('saved')
    expect(server.now().revision).toBe(2)
  })

  it('keeps what is on screen where the server made the same of it: nothing is reckoned twice', async () => {
    store.edit(length(4))
    const shown = store.circuit
    await store.settled()
    expect(store.circuit).toBe(shown)
    expect(store.stored).toMatchObject({ revision: 2, undo: true })
  })

  it('takes over what the server made of it where that is something else', async () => {
    server.meddle = (answer) => ({ ...answer, circuit: { ...answer.circuit, name: 'Another hand was here' } })
    store.edit(length(4))
    await store.settled()
    expect(store.circuit!.name).toBe('Another hand was here')
  })

  it('sends edits one after the other, each on the revision before it, and loses none', async () => {
    for (const value of [2, 3, 4, 5]) store.edit(length(value))
    expect(metres()).toBe(5)
    await store.settled()
    expect(server.asked.filter((a) => a.path.endsWith('/edits'))).toHaveLength(4)
    expect(server.now().circuit).toEqual(store.circuit)
  })

  it('refuses a value out of range with the reason, and sends nothing', () => {
    expect(store.edit(length(-4))).toBe(false)
    expect(store.failure).toMatch(/length/i)
    expect(server.asked.some((a) => a.method === 'POST')).toBe(false)
  })

  it('goes back to what the server has when the server refuses', async () => {
    const before = metres()
    server.refuse = 'Somebody else has changed it'
    store.edit(length(4))
    await store.settled()
    expect(store.failure).toBe('Somebody else has changed it')
    expect(metres()).toBe(before)
  })

  it('waits for a connection that is gone, and sends the edit once when it is back', async () => {
    vi.useFakeTimers()
    server.down = true
    store.edit(length(4))
    await vi.advanceTimersByTimeAsync(2000)
    expect(store.saveState).toBe('waiting')
    server.down = false
    await vi.advanceTimersByTimeAsync(2000)
    await store.settled()
    expect(store.saveState).toBe('saved')
    expect(server.asked.filter((a) => a.path.endsWith('/edits'))).toHaveLength(1)
  })

  it('leaves nothing of what one person planted for the next', async () => {
    store.savePlant(plantOf(3))
    await store.settled()
    await store.clear()
    expect(store.stored).toBeNull()
    expect(store.circuit).toBeNull()
    expect(JSON.stringify(store.$state)).not.toContain('severity')
    await store.load(id)
    store.stepPlant('undo')
    await store.settled()
    expect(store.stored!.plant).toEqual(server.now().plant)
  })

  describe('whose changes have not arrived yet', () => {
    let kept: Map<string, string>
    const owner = 'c0ffee00-0000-4000-8000-000000000001'
    /** The page is loaded anew: what was in its memory is gone. */
    const reload = async () => {
      setActivePinia(createPinia())
      store = useCircuit()
      await store.load(id)
    }
    beforeEach(async () => {
      kept = memory()
      setOwner(owner)
      await reload()
    })

    it('has them after a reload, shows them at once, and sends them', async () => {
      vi.useFakeTimers()
      server.down = true
      for (const value of [2, 3, 4]) store.edit(length(value))
      await vi.advanceTimersByTimeAsync(1500)
      expect(store.saveState).toBe('waiting')
      expect(server.now().revision).toBe(1)
      server.down = false
      // Whatever the old page still sends has the same keys.
      await reload()
      expect(metres()).toBe(4)
      await vi.advanceTimersByTimeAsync(20_000)
      expect(store.saveState).toBe('saved')
      expect(server.now()).toMatchObject({ revision: 4 })
      expect(server.now().circuit).toEqual(store.circuit)
      expect([...kept.keys()].filter((key) => key.includes('unsent'))).toEqual([])
    })

    it('keeps them where the session has ended, calls nothing saved, and sends them after the next sign-in', async () => {
      server.out = true
      store.edit(length(4))
      store.savePlant(plantOf(7))
      await vi.waitFor(() => expect(store.saveState).toBe('signedOut'))
      expect(server.now().revision).toBe(1)
      server.out = false
      await reload()
      expect(metres()).toBe(4)
      await vi.waitFor(() => expect(store.saveState).toBe('saved'))
      expect(server.now().revision).toBe(2)
      expect(server.now().plant).toEqual(plantOf(7))
    })

    it('neither shows nor sends them to whoever else signs in', async () => {
      server.out = true
      store.edit(length(4))
      await vi.waitFor(() => expect(store.saveState).toBe('signedOut'))
      server.out = false
      setOwner('c0ffee00-0000-4000-8000-000000000002')
      await reload()
      await store.settled()
      expect(metres()).not.toBe(4)
      expect(server.now().revision).toBe(1)
      // They are still there for their owner.
      setOwner(owner)
      await reload()
      await vi.waitFor(() => expect(server.now().revision).toBe(2))
    })

    it('makes an edit once whose answer was lost on the way', async () => {
      vi.useFakeTimers()
      server.lose = true
      store.edit(length(4))
      store.edit(length(5))
      await vi.advanceTimersByTimeAsync(5000)
      expect(store.saveState).toBe('saved')
      expect(store.failure).toBeNull()
      expect(server.now().revision).toBe(3)
      expect(metres()).toBe(5)
    })

    it('says so where somebody else has changed the circuit meanwhile, and shows the newest', async () => {
      server.out = true
      store.edit(length(4))
      await vi.waitFor(() => expect(store.saveState).toBe('signedOut'))
      server.out = false
      server.refuse = 'Somebody else has changed it'
      await reload()
      await vi.waitFor(() => expect(store.failure).toBe('Somebody else has changed it'))
      expect(store.saveState).toBe('saved')
      expect(metres()).not.toBe(4)
    })
  })

  describe('a severity that is dragged', () => {
    it('is shown at every step and sent only now and then; the last is what is kept', async () => {
      vi.useFakeTimers()
      for (let i = 1; i <= 60; i++) {
        store.savePlant(plantOf(i))
        expect(store.stored!.plant!.faults[0]!.severity).toBe(i)
        await vi.advanceTimersByTimeAsync(16)
      }
      await vi.advanceTimersByTimeAsync(1000)
      await store.settled()
      expect(server.plants().length).toBeLessThan(12)
      expect(server.now().plant).toEqual(plantOf(60))
    })

    it('is one step to take back, and comes again', async () => {
      vi.useFakeTimers()
      store.savePlant(plantOf(1))
      await vi.advanceTimersByTimeAsync(3000)
      for (let i = 2; i <= 9; i++) store.savePlant(plantOf(i))
      await vi.advanceTimersByTimeAsync(3000)
      store.stepPlant('undo')
      expect(store.stored!.plant).toEqual(plantOf(1))
      store.stepPlant('redo')
      expect(store.stored!.plant).toEqual(plantOf(9))
      store.stepPlant('undo')
      store.stepPlant('undo')
      expect(store.stored!.plant!.faults).toEqual([])
      await vi.advanceTimersByTimeAsync(3000)
      await store.settled()
      expect(server.now().plant!.faults).toEqual([])
    })
  })
})
