import { beforeEach, describe, expect, it, vi } from 'vitest'
import { Attempt } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import { Predictor } from '../../core/diagnosis'
import { defaultRubric } from '../../core/assessment'
import { useReview } from './useReview'

const circuit = demoCircuit('sweeper-work-lamp')
const fault = { kind: 'corroded', part: 'G1', segment: 'foot', severity: 2 } as const
const attempt = new Attempt(circuit, [fault], { controls: { S1: 'closed' }, detached: [] })
  .operate()
  .test('L1a', 'B1-', 12.5, ['F1', 'S1'])
  .test('G1n', 'B1-', 0, ['F1', 'S1', 'W1'])
  .conclude('G1.foot')
const judged = attempt.judged(new Predictor(circuit))
const id = '6f9619ff-8b86-4d01-b42d-00cf4fc964ff'
const stored = {
  id,
  circuit,
  faults: [fault],
  spares: [],
  frame: attempt.order.frame,
  complaint: 'It is weak.',
  student: { id, login: 'nela', name: 'Nela Farrow', role: 'student' },
  created: '2026-11-26T09:00:00Z',
  concluded: null,
  released: null as string | null,
  steps: attempt.steps.map((step) => ({ at: '2026-11-26T09:10:00Z', step })),
  rubric: defaultRubric,
  judged: judged as typeof judged | null,
  overrides: [],
  newerMark: null,
  markedAnew: null,
  exam: null,
  replies: [],
}

describe('a review', () => {
  let server: typeof stored
  let asked: string[]
  let refuse: string
  beforeEach(() => {
    server = { ...stored }
    asked = []
    refuse = ''
    vi.stubGlobal('fetch', (url: string, { method = 'GET' }: { method?: string } = {}) => {
      asked.push(`${method} ${url}`)
      if (refuse && url.endsWith(refuse))
        return Promise.resolve(
          new Response(JSON.stringify({ message: { code: 'missing' } }), { status: 404 }),
        )
      if (url.endsWith('/judgement')) return Promise.resolve(new Response(JSON.stringify(judged)))
      if (url.endsWith('/released')) server.released = server.released ? null : '2026-11-26T10:00:00Z'
      return Promise.resolve(
        new Response(JSON.stringify({ ...server, ...(method === 'PUT' && { judged: null }) })),
      )
    })
  })
  const opened = async (own = false) => {
    const review = useReview(id, own)
    await review.load()
    return review
  }

  it('opens at its last step, each way in by its own door', async () => {
    const review = await opened()
    expect(review.at.value).toBe(attempt.steps.length - 1)
    expect(asked).toEqual([`GET /api/orders/${id}/review`])
    asked = []
    await opened(true)
    expect(asked).toEqual([`GET /api/desk/${id}/review`])
  })

  it('shows its steps at once, and the verdicts when they are there', async () => {
    server.judged = null
    const review = await opened()
    expect(review.rows.value.length).toBe(attempt.steps.length)
    expect(review.rows.value.every((row) => row.judgements.length === 0)).toBe(true)
    await vi.waitFor(() => expect(review.rows.value.some((row) => row.judgements.length > 0)).toBe(true))
  })

  it('says what is wrong where it is not there, or cannot be judged', async () => {
    refuse = '/review'
    await expect(opened()).rejects.toThrow()
    refuse = '/judgement'
    server.judged = null
    const review = await opened()
    await vi.waitFor(() => expect(review.trouble.value).not.toBe(''))
    expect(review.rows.value.length).toBeGreaterThan(0)
  })

  it('follows whoever works; one who looks at an earlier step is left there, and old verdicts stand meanwhile', async () => {
    server.steps = stored.steps.slice(0, 3)
    const review = await opened()
    expect(review.at.value).toBe(2)
    server.steps = stored.steps.slice(0, 5)
    await review.follow()
    expect(review.at.value).toBe(4)
    review.at.value = 1
    server.steps = stored.steps
    server.judged = null
    refuse = '/judgement'
    await review.follow()
    expect(review.at.value).toBe(1)
    expect(review.review.value?.judged).not.toBe(null)
  })

  it('is given back and taken back, its verdicts kept', async () => {
    const review = await opened()
    await review.giveBack()
    expect(review.review.value?.released).not.toBe(null)
    expect(review.review.value?.judged).not.toBe(null)
    await review.giveBack()
    expect(review.review.value?.released).toBe(null)
    expect(asked.filter((one) => one.startsWith('PUT'))).toHaveLength(2)
  })

  it('has on the drawing what stood at the chosen step', async () => {
    const review = await opened()
    review.at.value = 0
    expect([...review.marks.value.struck]).toEqual([])
    review.at.value = attempt.steps.findIndex((s) => s.type === 'infer')
    expect([...review.marks.value.struck].sort()).toEqual(['F1', 'S1'])
    review.at.value = attempt.steps.length - 1
    expect([...review.marks.value.struck].sort()).toEqual(['F1', 'S1', 'W1'])
    // The readings had cleared the feed by then, and left the ground.
    expect(review.cleared.value.struck.has('S1')).toBe(true)
    expect(review.cleared.value.ringed.has('G1')).toBe(true)
    expect(review.arrangement.value.controls).toEqual({ S1: 'closed' })
  })

  it('numbers the student’s readings where they were taken, and counts minutes that only grow', async () => {
    const review = await opened()
    const tags = [...review.ways.value.values()].join(' ').split(' ')
    expect(tags).toContain('1')
    expect(tags).toContain('2')
    // Both readings stood on the return.
    expect([...review.ways.value.values()]).toContainEqual(expect.stringMatching(/1 2/))
    const { student, short } = review.curves.value
    expect(student.length).toBeGreaterThan(3)
    for (const [i, one] of student.entries())
      if (i) {
        expect(one.minutes).toBeGreaterThanOrEqual(student[i - 1]!.minutes)
        expect(one.left).toBeLessThanOrEqual(student[i - 1]!.left)
      }
    expect(short[0]).toMatchObject({ minutes: 0, left: student[0]!.left })
  })
})
