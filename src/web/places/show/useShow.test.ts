import { beforeAll, describe, expect, it } from 'vitest'
import { nextTick } from 'vue'
import { demoCircuit } from '../../../../test/demo'
import { piecesOf } from '../../../core/model'
import type { Fault } from '../../../core/faults'
import type { Ask } from '../../../core/lab'
import { loadWords } from '../../words'
import { useShow } from './useShow'

beforeAll(loadWords)

const circuit = demoCircuit('sweeper-work-lamp')
const fault: Fault = { kind: 'highResistance', part: 'X2', segment: 'pin', severity: 2 }
const opened = (script?: readonly Ask[]) =>
  useShow({ circuit, faults: [fault], complaint: 'It is weak.', script })

describe('a demonstration', () => {
  it('opens in a state in which the fault shows, on a path with the fault on it', () => {
    const show = opened()
    const state = circuit.states.find(({ id }) => id === show.state.value)!
    expect(Object.values(state.controls)).toContain('closed')
    expect(circuit.paths[show.path.value]!.steps.some(({ part }) => part === 'X2')).toBe(true)
    expect(show.seen.value.join()).toMatch(/work lamp/)
  })

  it('asks of every point that a lead can reach, from plus to minus; each is open before it is shown', () => {
    const show = opened()
    const points = show.asks.value.map((ask) => (ask.type === 'volts' ? ask.point : ''))
    expect(points[0]).toBe('B1+')
    expect(points.at(-1)).toBe('B1−')
    expect(points).toEqual(expect.arrayContaining(['L1a', 'X2a', 'X2b']))
    expect([show.asked.value, show.open.value]).toEqual([0, false])
    show.go(1)
    expect([show.asked.value, show.open.value]).toEqual([1, true])
    show.go(1)
    expect([show.asked.value, show.open.value]).toEqual([1, false])
    show.go(-99)
    expect(show.at.value).toBe(0)
    show.go(9999)
    expect(show.at.value).toBe(2 * points.length)
    expect(show.open.value).toBe(false)
  })

  it('opens without a fault in the state in which the load runs', () => {
    for (const name of ['sweeper-work-lamp', 'van-cooling-fan', 'van-washer-pump'] as const) {
      const sound = demoCircuit(name)
      const show = useShow({ circuit: sound, faults: [], complaint: '' })
      const amps = show.healthy.value!.balances[show.path.value]!.amps
      expect(amps, name).toBeGreaterThan(1)
    }
  })

  it('begins anew in another state', async () => {
    const show = opened()
    show.go(5)
    show.state.value = circuit.states.find(({ id }) => id !== show.state.value)!.id
    await nextTick()
    expect(show.at.value).toBe(0)
    expect(show.asks.value.every((ask) => ask.state === show.state.value)).toBe(true)
  })

  it('keeps to its script, and goes back to every point when there is none', () => {
    const script: Ask[] = [{ type: 'volts', state: circuit.states[0]!.id, path: '', point: 'L1a' }]
    const show = opened(script)
    expect(show.asks.value).toEqual(script)
    show.go(2)
    show.setAsks([])
    expect(show.at.value).toBe(0)
    expect(show.now.value).toBe(undefined)
    show.unscript()
    expect(show.asks.value.length).toBeGreaterThan(5)
  })
})

describe('what the class is asked', () => {
  const on = circuit.states.find(({ controls }) => controls['S1'] === 'closed')!.id
  const questions = opened().questions()
  const asks: Ask[] = [
    { type: 'volts', state: on, path: '', point: 'L1a' },
    { type: 'light', state: on, part: 'L1' },
    { type: 'piece', state: on },
    ...questions.slice(0, 4).map((q) => ({ type: 'quiz' as const, state: on, key: q.key })),
  ] as Ask[]
  const show = opened(asks)
  const askedAt = (n: number) => {
    show.at.value = 2 * n + 1
    return { body: show.bodyOf(asks[n]!), options: show.options.value }
  }

  it('has one right answer of several, but for volts, which are typed', () => {
    expect(askedAt(0).options).toEqual([])
    for (let n = 1; n < asks.length; n++) {
      const { options } = askedAt(n)
      expect(options.length, asks[n]!.type).toBeGreaterThan(1)
      expect(
        options.filter(({ right }) => right),
        asks[n]!.type,
      ).toHaveLength(1)
    }
    const piece = askedAt(2).options.find(({ right }) => right)!
    expect(piece.key).toBe('X2')
    expect(askedAt(2).options).toHaveLength(piecesOf(circuit).length)
  })

  it('names the misbelief behind each wrong answer of a quiz', () => {
    for (let n = 3; n < asks.length; n++)
      for (const { right, misbelief } of askedAt(n).options) expect(Boolean(misbelief)).toBe(!right)
  })

  it('tells students’ screens nothing of what is planted or right', () => {
    for (let n = 0; n < asks.length; n++) {
      const { body } = askedAt(n)
      expect(body).toBeDefined()
      const text = JSON.stringify(body)
      expect(text).not.toMatch(/"right"|misbelief|planted|highResistance|severity/)
    }
  })
})
