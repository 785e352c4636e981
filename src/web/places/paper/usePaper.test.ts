import { beforeEach, describe, expect, it, vi } from 'vitest'
import { demoCircuit } from '../../../../test/demo'
import { defaultFrame } from '../../../core/attempt'
import type { Review } from '../../../contract'
import { usePaper } from './usePaper'

const circuit = demoCircuit('sweeper-work-lamp')
const review = { id: 'order', circuit, frame: defaultFrame() } as unknown as Review

interface Sent {
  key: string
  action: { type: string; held?: unknown; struck?: string[]; asked?: unknown; reading?: unknown }
}

describe('a worksheet that is typed in', () => {
  let sent: Sent[]
  /** What the server answers instead, once. */
  let next: (() => Response) | undefined
  let paper: ReturnType<typeof usePaper>
  const rowAt = (n: number) => paper.rows.value[n]!
  beforeEach(() => {
    sent = []
    next = undefined
    vi.stubGlobal('fetch', (_: string, { body }: { body: string }) => {
      sent.push(JSON.parse(body) as Sent)
      const other = next
      next = undefined
      return Promise.resolve(
        other?.() ??
          new Response(
            JSON.stringify({ position: 0, step: { type: 'infer', struck: [], ringed: [], note: '' } }),
          ),
      )
    })
    paper = usePaper(review)
    paper.rows.value = []
    paper.add()
    Object.assign(rowAt(0), {
      at: 'L1a',
      black: 'B1-',
      predicted: '12.6',
      reading: '12.4',
      struck: 'F1, S1 W1',
    })
    paper.add()
    Object.assign(rowAt(1), { at: 'G1n', predicted: '0', reading: '10.1 V' })
  })

  it('goes row by row, each with what was struck out after it; what is taken is not sent again', async () => {
    expect(rowAt(1).black).toBe('B1-')
    expect(await paper.sendAll()).toBe(false)
    expect(sent.map(({ action }) => action.type)).toEqual(['test', 'infer', 'test', 'infer'])
    expect(sent[0]!.action).toMatchObject({
      held: { type: 'leads', red: 'L1a', black: 'B1-' },
      prediction: { type: 'value', value: 12.6 },
      reading: { value: 12.4 },
      source: 'typed',
    })
    expect(sent[1]!.action.struck).toEqual(['F1', 'S1', 'W1'])
    await paper.sendAll()
    expect(sent).toHaveLength(4)
  })

  it('leaves a row without a reading for later', async () => {
    rowAt(0).reading = ' '
    await paper.sendAll()
    expect(sent.map(({ action }) => action.held)).toEqual([
      { type: 'leads', red: 'G1n', black: 'B1-' },
      undefined,
    ])
  })

  it('stops at the row that cannot be read, says so there, and goes on once it is mended', async () => {
    rowAt(1).reading = 'a lot'
    await paper.sendAll()
    expect(sent).toHaveLength(2)
    expect(rowAt(1).trouble).not.toBe('')
    rowAt(1).reading = '10.1'
    await paper.sendAll()
    expect(rowAt(1).trouble).toBe('')
    expect(sent).toHaveLength(4)
  })

  it('sends a row that was lost on the way under the same key', async () => {
    next = () => new Response(JSON.stringify({ message: { code: 'missing' } }), { status: 500 })
    await paper.sendAll()
    expect(paper.trouble.value).not.toBe('')
    expect(paper.busy.value).toBe(false)
    await paper.sendAll()
    expect(sent[1]!.key).toBe(sent[0]!.key)
    expect(new Set(sent.map(({ key }) => key)).size).toBe(sent.length - 1)
  })

  it('asks about a reading that does not fit; whoever has looked again lets it stand', async () => {
    const about = { code: 'assessment.liveLook' }
    next = () =>
      new Response(
        JSON.stringify({
          question: about,
          position: 0,
          step: {
            type: 'question',
            arrangement: { controls: {}, detached: [] },
            instrument: 'volts',
            settings: {},
            held: { type: 'leads', red: 'L1a', black: 'B1-' },
            typed: '12.4',
            about,
          },
        }),
      )
    await paper.sendAll()
    expect(rowAt(0).trouble).not.toBe('')
    expect(rowAt(0).taken).toBe(false)
    rowAt(0).stands = true
    await paper.sendAll()
    expect(sent[1]!.action).toMatchObject({ asked: { first: '12.4', answer: 'stands' } })
    // The question has been taken down under the first key: this is another step.
    expect(sent[1]!.key).not.toBe(sent[0]!.key)
    expect(rowAt(0).taken).toBe(true)
  })

  it('ends with the conclusion, once there is one', async () => {
    Object.assign(paper.conclusion.value, { piece: 'G1.foot', kind: 'corroded', sure: 85 })
    expect(await paper.sendAll()).toBe(true)
    expect(sent.at(-1)!.action).toMatchObject({
      type: 'conclude',
      piece: 'G1.foot',
      kind: 'corroded',
      sure: 85,
    })
    Object.assign(paper.conclusion.value, { piece: '', kind: '' })
  })
})
