import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref, type EffectScope } from 'vue'
import type { QuestionBody } from '../../../contract'
import { useClass } from './useClass'

const id = (n: number) => `6f9619ff-8b86-4d01-b42d-00cf4fc964f${n}`
const volts = (point: string): QuestionBody => ({
  type: 'volts',
  circuit: 'Work lamp',
  state: 'lamp on',
  point,
})

describe('the class’s own screens', () => {
  /** What was sent, in order. */
  let sent: string[]
  let answers: Record<string, (number | string)[]>
  let broken: boolean
  let events: Map<string, (event: { data: string }) => void>
  let scope: EffectScope
  const question = ref<QuestionBody>()
  let room: ReturnType<typeof useClass>

  beforeEach(() => {
    sent = []
    answers = {}
    broken = false
    events = new Map()
    question.value = undefined
    let made = 0
    vi.stubGlobal(
      'fetch',
      (url: string, { method = 'GET', body }: { method?: string; body?: string } = {}) => {
        if (broken) return Promise.reject(new TypeError('no way there'))
        const path = url.replace('/api', '')
        const asked =
          body === undefined
            ? undefined
            : (JSON.parse(body) as { body: { point: string }; class: string | null })
        sent.push(`${method} ${path}${asked ? ` ${asked.body.point} ${asked.class}` : ''}`)
        const reply = path.endsWith('/answers')
          ? { values: answers[path.split('/')[2]!] ?? [] }
          : method === 'POST'
            ? { id: id(++made) }
            : undefined
        return Promise.resolve(new Response(reply && JSON.stringify(reply), { status: 200 }))
      },
    )
    vi.stubGlobal(
      'EventSource',
      class {
        addEventListener = (name: string, heard: (event: { data: string }) => void) => events.set(name, heard)
        close = () => events.clear()
      },
    )
    scope = effectScope()
    room = scope.run(() => useClass(question))!
  })
  afterEach(() => scope.stop())

  const settled = async () => {
    await nextTick()
    for (let n = 0; n < 8; n++) await new Promise((resolve) => setTimeout(resolve, 1))
  }
  const answered = async () => {
    events.get('answered')!({ data: 'null' })
    await settled()
  }

  it('are asked nothing until they are let in', async () => {
    question.value = volts('X2a')
    await settled()
    expect(sent).toEqual([])
    room.on.value = true
    await settled()
    expect(sent).toEqual(['POST /questions X2a null'])
  })

  it('are asked by class, and anew when it is another', async () => {
    room.on.value = true
    room.group.value = id(8)
    question.value = volts('X2a')
    await settled()
    room.group.value = id(9)
    await settled()
    expect(sent).toEqual([`POST /questions X2a ${id(8)}`, `POST /questions X2a ${id(9)}`])
  })

  it('show what has come, and what came in the moment in which the question was closed', async () => {
    room.on.value = true
    question.value = volts('X2a')
    await settled()
    answers[id(1)] = [12.1]
    await answered()
    expect(room.values.value).toEqual([12.1])
    answers[id(1)] = [11.9, 12.1]
    question.value = undefined
    await settled()
    expect(sent.slice(-2)).toEqual([`DELETE /questions/${id(1)}`, `GET /questions/${id(1)}/answers`])
    expect(room.values.value).toEqual([11.9, 12.1])
  })

  it('begin each question with none of the answers of the one before', async () => {
    room.on.value = true
    question.value = volts('X2a')
    await settled()
    answers[id(1)] = [12.1]
    await answered()
    question.value = volts('L1a')
    await settled()
    expect(room.values.value).toEqual([])
    // What is still said of the first is not shown beside the second.
    answers[id(2)] = [3.4]
    await answered()
    expect(room.values.value).toEqual([3.4])
    room.forget()
    expect(room.values.value).toEqual([])
  })

  it('are let go when they are switched off: the question ends, and its answers go', async () => {
    room.on.value = true
    question.value = volts('X2a')
    await settled()
    answers[id(1)] = [12.1]
    await answered()
    room.on.value = false
    await settled()
    expect(sent.at(-1)).toBe(`DELETE /questions/${id(1)}`)
    expect(room.values.value).toEqual([])
    const before = sent.length
    await answered()
    expect(sent.length).toBe(before)
  })

  it('out of reach hold nothing up: it is said, and gone when they are back', async () => {
    room.on.value = true
    broken = true
    question.value = volts('X2a')
    await settled()
    expect(room.trouble.value).not.toBe('')
    broken = false
    question.value = volts('L1a')
    await settled()
    expect(room.trouble.value).toBe('')
    expect(sent).toEqual(['POST /questions L1a null'])
  })

  it('look anew when the connection is back, and are let go with the page', async () => {
    room.on.value = true
    question.value = volts('X2a')
    await settled()
    answers[id(1)] = [7]
    events.get('again')!({ data: '' })
    await settled()
    expect(room.values.value).toEqual([7])
    scope.stop()
    await settled()
    expect(sent.at(-1)).toBe(`DELETE /questions/${id(1)}`)
  })
})
