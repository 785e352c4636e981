import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { Attempt } from '../../../../test/attempt'
import { demoCircuit } from '../../../../test/demo'
import type { Step, StepOf } from '../../../core/attempt'
import { useDesk } from './useDesk'

const id = '6f9619ff-8b86-4d01-b42d-00cf4fc964ff'
const circuit = demoCircuit('sweeper-work-lamp')
const closed = { controls: { S1: 'closed' }, detached: [] }
const attempt = new Attempt(circuit, [{ kind: 'corroded', part: 'G1', segment: 'foot', severity: 2 }], closed)
  .operate()
  .test('L1a', 'B1-', 12.5, ['F1', 'S1'])
const [operated, tested, inferred] = attempt.steps as [Step, Step, Step]
const action = { type: 'operate', arrangement: closed } as const

describe('a work order at the Desk', () => {
  let steps: Step[]
  let bag: string[]
  let sent: { key: string; action: { type: string } }[]
  let answers: (() => Promise<Response>)[]
  const json = (value: unknown, status = 200) =>
    Promise.resolve(new Response(JSON.stringify(value), { status }))
  beforeEach(() => {
    steps = []
    bag = attempt.order.frame.bag.slice()
    sent = []
    answers = []
    const { procedure, faults, families, meter, mode, source, hints, limit } = attempt.order.frame
    const desk = () => ({
      id,
      complaint: 'It is weak.',
      circuit,
      frame: { procedure, faults, families, bag, meter, mode, source, hints, limit },
      left: 600,
      steps,
      concluded: false,
    })
    vi.stubGlobal('fetch', (url: string, { body }: { body?: string } = {}) => {
      if (url.endsWith('/finish')) return json({ ...desk(), concluded: true })
      if (!url.endsWith('/steps')) return json(desk())
      sent.push(JSON.parse(body!) as (typeof sent)[number])
      return answers.shift()?.() ?? json({ position: steps.length, step: operated })
    })
  })
  afterEach(() => vi.useRealTimers())
  const opened = async () => {
    const desk = effectScope().run(() => useDesk(id))!
    await desk.load()
    return desk
  }

  it('takes an instrument out of the bag where the one in hand is not in it', async () => {
    bag = ['ohms', 'continuity'] as string[]
    expect((await opened()).draft.instrument).toBe('ohms')
  })

  it('goes on elsewhere as the server has it: marks, switches, leads', async () => {
    steps = [operated, tested, inferred]
    const desk = await opened()
    expect(desk.draft.struck).toEqual(['F1', 'S1'])
    expect(desk.draft.controls).toEqual({ S1: 'closed' })
    expect([desk.draft.red, desk.draft.black]).toEqual(['L1a', 'B1−'])
    expect(desk.arrangementNow().controls).toMatchObject({ S1: 'closed' })
  })

  it('leaves alone what is marked or held here already', async () => {
    steps = [operated, tested, inferred]
    const desk = effectScope().run(() => useDesk(id))!
    desk.draft.struck = ['W1']
    await desk.load()
    expect(desk.draft.struck).toEqual(['W1'])
    expect(desk.draft.red).toBe('')
  })

  it('asks for an inference after a reading, not before one and not after a repair', async () => {
    steps = [operated]
    expect((await opened()).inferenceDue).toBe(false)
    steps = [operated, tested]
    expect((await opened()).inferenceDue).toBe(true)
    steps = [operated, { type: 'repair', piece: 'G1.foot', by: 'remake' } as unknown as Step, tested]
    expect((await opened()).inferenceDue).toBe(false)
  })

  it('shows what was seen with the switches as they are now, and nothing of before a repair', async () => {
    steps = [operated]
    const desk = await opened()
    expect(Object.keys(desk.seen)).toContain('L1')
    expect(desk.seen['L1']!.text).toMatch(/glow|dim|bright|dark/)
    desk.draft.controls = { S1: 'open' }
    expect(desk.seen).toEqual({})
    steps = [operated, { type: 'renew', fuse: 'F1' } as unknown as Step]
    const later = await opened()
    later.draft.controls = { S1: 'closed' }
    expect(later.seen).toEqual({})
  })

  it('adds a step once the server has taken it', async () => {
    const desk = await opened()
    expect(await desk.act(action)).toBe(true)
    expect(desk.steps).toHaveLength(1)
    expect(desk.busy).toBe(false)
  })

  it('sends again under the same key while nobody answers, and says that it waits', async () => {
    const desk = await opened()
    vi.useFakeTimers()
    answers = [
      () => Promise.reject(new TypeError('no network')),
      () => Promise.resolve(new Response('<html>Bad gateway</html>', { status: 502 })),
    ]
    const done = desk.act(action)
    await vi.advanceTimersByTimeAsync(100)
    expect([desk.waiting, desk.busy, desk.steps.length]).toEqual([true, true, 0])
    await vi.advanceTimersByTimeAsync(4000)
    expect(await done).toBe(true)
    expect(desk.waiting).toBe(false)
    expect(sent).toHaveLength(3)
    expect(new Set(sent.map(({ key }) => key)).size).toBe(1)
  })

  it('says what the server refuses, and adds nothing', async () => {
    const desk = await opened()
    answers = [() => json({ message: { code: 'missing' } }, 409)]
    expect(await desk.act(action)).toBe(false)
    expect(desk.failure).not.toBe('')
    expect(desk.steps).toEqual([])
    await desk.act(action)
    expect(desk.failure).toBe('')
    // Each is a step of its own.
    expect(new Set(sent.map(({ key }) => key)).size).toBe(2)
  })

  it('keeps a question about a typed reading with what it is about, until something is taken', async () => {
    const desk = await opened()
    const about = { code: 'assessment.liveLook' }
    const { arrangement, instrument, settings, held } = tested as StepOf<'test'>
    const asked = { type: 'question', arrangement, instrument, settings, held, typed: '3', about }
    answers = [() => json({ question: about, position: 0, step: asked })]
    expect(await desk.act(action)).toBe(false)
    expect(desk.question).toMatchObject({ about, action })
    // That it was asked is a step of its own.
    expect(desk.steps.at(-1)).toMatchObject({ type: 'question', typed: '3' })
    await desk.act(action)
    expect(desk.question).toBe(null)
  })

  it('hears of more time and of hints', async () => {
    const desk = await opened()
    desk.hear({ left: 1200, hints: { where: 1, side: 2, test: 4 } as never })
    expect(desk.desk?.left).toBe(1200)
    expect(desk.desk?.frame.hints).toMatchObject({ where: 1 })
  })

  it('is finished for good', async () => {
    const desk = await opened()
    await desk.finish()
    expect(desk.desk?.concluded).toBe(true)
  })
})
