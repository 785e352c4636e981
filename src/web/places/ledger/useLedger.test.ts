import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick } from 'vue'
import { use } from '../../words'
import { de } from '../../words/de'
import { faultWords, useLedger } from './useLedger'

const id = (n: number) => `6f9619ff-8b86-4d01-b42d-00cf4fc964f${n}`
const ledgerOf = (circuit: string) => ({
  students: [],
  faults: [{ circuit, fault: 'x', attempts: 1, found: 1, tests: 1, minutes: 1, wrong: null }],
  reliability: [],
})

describe('the records', () => {
  /** What is on its way, to be let through in any order. */
  let waiting: { url: string; answer: (value: unknown, status?: number) => void }[]
  let book: ReturnType<typeof useLedger>
  beforeEach(() => {
    waiting = []
    vi.stubGlobal('fetch', (url: string) => {
      if (url.endsWith('/classes'))
        return Promise.resolve(
          new Response(JSON.stringify([{ id: id(1), name: 'Evening', term: '', students: [] }])),
        )
      if (url.endsWith('/days'))
        return Promise.resolve(
          new Response(
            JSON.stringify([
              { id: id(2), name: 'Lab', day: '2026-03-05', stations: 1, rounds: 1, out: 0, word: null },
            ]),
          ),
        )
      return new Promise<Response>((resolve) =>
        waiting.push({
          url,
          answer: (value, status = 200) => resolve(new Response(JSON.stringify(value), { status })),
        }),
      )
    })
    book = effectScope().run(useLedger)!
  })
  afterEach(() => use(undefined))
  const arrived = async () => {
    for (let n = 0; n < 6; n++) await new Promise((resolve) => setTimeout(resolve, 1))
  }
  const shown = () => book.ledger.value?.faults[0]?.circuit

  it('of a class or a day are asked for as soon as it is chosen', async () => {
    book.group.value = id(1)
    await nextTick()
    book.day.value = id(2)
    await nextTick()
    expect(waiting.map(({ url }) => url)).toEqual([
      `/api/ledger?class=${id(1)}`,
      `/api/ledger?class=${id(1)}&day=${id(2)}`,
    ])
  })

  it('are those that were asked for last, whichever arrive last', async () => {
    book.group.value = id(1)
    await nextTick()
    book.group.value = ''
    await nextTick()
    waiting[1]!.answer(ledgerOf('of everybody'))
    await arrived()
    expect(shown()).toBe('of everybody')
    waiting[0]!.answer(ledgerOf('of the class'))
    await arrived()
    expect(shown()).toBe('of everybody')
  })

  it('that cannot be had leave what is shown, and say so until they can', async () => {
    void book.load()
    waiting[0]!.answer(ledgerOf('before'))
    await arrived()
    void book.load()
    waiting[1]!.answer({ message: { code: 'missing' } }, 500)
    await arrived()
    expect(shown()).toBe('before')
    expect(book.wrong.value).not.toBe('')
    void book.load()
    waiting[2]!.answer(ledgerOf('after'))
    await arrived()
    expect([shown(), book.wrong.value]).toEqual(['after', ''])
  })

  it('name several faults in the reader’s language, one by one', () => {
    use(de)
    expect(faultWords('F1 main fuse, fuse link: open; X2 plug: open')).not.toMatch(/: open/)
    expect(faultWords('F1 main fuse, fuse link: open; X2 plug: open')).toContain('; ')
  })
})
