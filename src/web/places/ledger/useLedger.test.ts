import { demoCircuit } from '../../../../test/demo'
import { writeWords } from '../../../core/document'
import { describeFault, possibleFaults } from '../../../core/faults'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, type EffectScope } from 'vue'
import { skillKeys } from '../../../core/lab'
import { serverCache } from '../../api/server-cache'
import { useScope } from '../../stores/scope'
import { use } from '../../words'
import { faultWords, useLedger } from './useLedger'

const id = (n: number) => `6f9619ff-8b86-4d01-b42d-00cf4fc964f${n}`
const ledgerOf = (circuit: string) => ({
  faults: [
    {
      circuit,
      fault: 'x',
      attempts: 1,
      found: 1,
      tests: 1,
      minutes: 1,
      wrong: null,
      difficulty: null,
      spread: null,
      discrimination: null,
      computed: null,
    },
  ],
  allFaults: 1,
  reliability: [],
})
const nobody = { rows: [], count: 0, after: null }
const level = { level: 0.5, spread: 0.1, evidence: 2, thin: false }
const student = (name: string) => ({
  id: id(5),
  name,
  attempts: 1,
  mean: 50,
  drills: 0,
  skills: Object.fromEntries(skillKeys.map((key) => [key, level])),
  next: [],
})

describe('the records', () => {
  /** What is on its way, to be let through in any order. */
  let waiting: { url: string; answer: (value: unknown, status?: number) => void }[]
  let pages: Record<string, unknown>
  let book: ReturnType<typeof useLedger>
  let place: EffectScope
  beforeEach(async () => {
    waiting = []
    pages = {}
    setActivePinia(createPinia())
    vi.stubGlobal('fetch', (url: string) => {
      const now = (value: unknown) => Promise.resolve(new Response(JSON.stringify(value)))
      const path = url.replace('/api', '').split('?')[0]!
      if (path === '/classes')
        return now([
          {
            id: id(1),
            name: 'Evening',
            term: '',
            own: true,
            members: [{ id: id(5), name: 'Nela', login: 'nela' }],
          },
        ])
      if (path === '/scope') return now({ classes: [], students: [] })
      if (path === '/days') return now(nobody)
      if (path === '/ledger/judging') return now({ all: 0, done: 0, waiting: 0 })
      if (path === '/ledger/students')
        return now(pages[new URLSearchParams(url.split('?')[1]).get('after') ?? ''] ?? nobody)
      return new Promise<Response>((resolve) =>
        waiting.push({
          url,
          answer: (value, status = 200) => resolve(new Response(JSON.stringify(value), { status })),
        }),
      )
    })
    serverCache.clear()
    await useScope().load()
    place = effectScope()
    book = place.run(useLedger)!
    await nextTick()
  })
  afterEach(() => {
    place.stop()
    use('en')
  })
  const arrived = async () => {
    for (let n = 0; n < 6; n++) await new Promise((resolve) => setTimeout(resolve, 1))
  }
  const shown = () => book.ledger.value?.faults[0]?.circuit
  const choose = async (...classes: string[]) => {
    book.scope.choose({ classes, students: [] })
    await nextTick()
  }

  it('of a class or a day are asked for as soon as it is chosen', async () => {
    await choose(id(1))
    book.day.value = id(2)
    await nextTick()
    expect(waiting.map(({ url }) => url)).toEqual([
      '/api/ledger',
      `/api/ledger?class=${id(1)}`,
      `/api/ledger?class=${id(1)}&day=${id(2)}`,
    ])
    expect(book.about.value).toBe('Evening')
  })

  it('are those that were asked for last, whichever arrive last', async () => {
    await choose(id(1))
    book.day.value = id(2)
    await nextTick()
    waiting[2]!.answer(ledgerOf('of the day'))
    await arrived()
    expect(shown()).toBe('of the day')
    waiting[1]!.answer(ledgerOf('of the class'))
    await arrived()
    expect(shown()).toBe('of the day')
  })

  it('that cannot be had leave what is shown, and say so until they can', async () => {
    waiting[0]!.answer(ledgerOf('before'))
    await arrived()
    void book.again()
    await arrived()
    waiting[1]!.answer({ message: { code: 'missing' } }, 404)
    await arrived()
    expect(shown()).toBe('before')
    expect(book.wrong.value).not.toBe('')
    void book.again()
    await arrived()
    waiting[2]!.answer(ledgerOf('after'))
    await arrived()
    expect([shown(), book.wrong.value]).toEqual(['after', ''])
  })

  it('go on after a page, and say how much there is', async () => {
    pages = {
      '': { rows: [student('Ada')], count: 2, after: 'x' },
      x: { rows: [student('Ben')], count: 2, after: null },
    }
    waiting[0]!.answer(ledgerOf('all'))
    await arrived()
    void book.again()
    await arrived()
    expect([book.students.value.length, book.count.value]).toEqual([1, 2])
    await book.more()
    expect(book.students.value.map(({ name }) => name)).toEqual(['Ada', 'Ben'])
  })

  it('name several faults in the reader’s language, one by one', () => {
    use('de')
    const circuit = demoCircuit('sweeper-work-lamp')
    const planted = ['W4', 'X2'].map((part) =>
      possibleFaults(circuit).find((f) => f.part === part && f.kind === 'open')!,
    )
    const kept = writeWords(planted.map((fault) => describeFault(circuit, fault)))
    expect(faultWords(kept)).toMatch(/^W4 .*unterbrochen; X2 .*unterbrochen$/)
    expect(faultWords(kept)).toContain(circuit.parts.find(({ id }) => id === 'W4')!.name)
    // Records of before messages were kept.
    for (const prose of ['X2 plug: open', '[X2] plug: open', '[1]', '12'])
      expect(faultWords(prose)).toBe(prose)
  })
})
