import { describe, expect, it } from 'vitest'
import { Attempt } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import { instruments } from './registry'
import { perform, startBench, type Arrangement } from '../attempt'
import { Predictor } from '../diagnosis'
import type { Fault } from '../faults'

const lamp = demoCircuit('sweeper-work-lamp')
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
const chafed: Fault = { kind: 'shortToGround', part: 'W4', segment: 'copper', severity: 0.02 }
const ground: Fault = { kind: 'corroded', part: 'G1', segment: 'foot', severity: 2 }
const burnt: Fault = { kind: 'burntOut', part: 'L1', segment: 'filament' }

function seenAt(planted: Fault[], part: string, detached: string[] = []) {
  const attempt = new Attempt(lamp, planted, { ...on, detached })
  return attempt.measure({ type: 'at', part }, { word: 'unmarked' }, { instrument: 'look' }).reading.word
}

describe('an eye at a part', () => {
  it('finds what shows where it is, and nothing where it is not', () => {
    expect(seenAt([chafed], 'W4')).toBe('chafed')
    expect(seenAt([chafed], 'W3')).toBe('unmarked')
    expect(seenAt([ground], 'G1')).toBe('crusted')
    expect(seenAt([{ kind: 'highResistance', part: 'W4', segment: 'copper', severity: 5 }], 'W4')).toBe(
      'unmarked',
    )
  })

  it('finds what a plug or a socket hides only once it is apart', () => {
    const pins = lamp.parts.find(({ id }) => id === 'X1')
    expect(pins).toBeDefined()
    expect(seenAt([burnt], 'L1')).toBe('unmarked')
    expect(seenAt([burnt], 'L1', ['L1'])).toBe('gone')
  })

  it('is evidence that is marked by nothing, and clears only what would show', () => {
    const attempt = new Attempt(lamp, [chafed], on).operate()
    attempt.measure({ type: 'at', part: 'G1' }, { word: 'unmarked' }, { instrument: 'look' })
    attempt.measure({ type: 'at', part: 'W4' }, { word: 'unmarked' }, { instrument: 'look' })
    const judged = attempt.judged(new Predictor(lamp, undefined, [chafed]))
    const aspects = judged.judgements.filter(({ step }) => step > 0).map(({ aspect }) => aspect)
    expect(new Set(aspects)).toEqual(new Set(['reading']))
    expect(judged.doubts.at(-1)!.W4).toBeGreaterThan(0.95)
    // Nothing to see at a ground stud says nothing of a break inside it.
    const dark = new Attempt(lamp, [{ kind: 'open', part: 'G1', segment: 'foot' }], on).operate()
    const before = dark.judged(new Predictor(lamp)).doubts.at(-1)!['G1.foot']!
    dark.measure({ type: 'at', part: 'G1' }, { word: 'unmarked' }, { instrument: 'look' })
    expect(dark.judged(new Predictor(lamp)).doubts.at(-1)!['G1.foot']!).toBeGreaterThan(before / 2)
  })

  it('looks for itself at a real board', () => {
    const { order } = new Attempt(lamp, [chafed], on, { source: 'typed' })
    const step = new Attempt(lamp, [chafed], on).measure(
      { type: 'at', part: 'W4' },
      { word: 'unmarked' },
      { instrument: 'look' },
    )
    const done = perform(order, startBench(order), [], { ...step, source: 'typed' })
    expect(done).toMatchObject({ ok: false, why: { code: 'attempt.lookYourself' } })
  })
})

describe('words that instruments tell in', () => {
  it('are one word each, whichever instrument tells it', () => {
    const titles = new Map<string, unknown>()
    for (const { asks, key } of instruments)
      for (const [word, title] of Object.entries(asks.type === 'word' ? asks.words : {})) {
        expect(titles.get(word) ?? title, `${key}: ${word}`).toEqual(title)
        titles.set(word, title)
      }
  })
})

describe('a lamp and a meter in one', () => {
  const probe = (planted: Fault[], size: string, red = 'L1a') =>
    new Attempt(lamp, planted, { ...on, detached: ['L1'] }).measure(
      { type: 'leads', red, black: 'B1-' },
      12,
      {
        instrument: 'loadedProbe',
        settings: { size },
      },
    ).reading

  it('shows glow and volts together, under its own load', () => {
    const sound = probe([], '1')
    expect(sound.value).toBeGreaterThan(12)
    expect(sound.signs.map(({ code }) => code)).toEqual(['instruments.word.bright'])
    // A joint of 12 Ω leaves an idle pin its volts and takes half of them from a lamp of one amp.
    const bad: Fault = { kind: 'highResistance', part: 'W4', segment: 'copper', severity: 12 }
    const weak = probe([bad], '1')
    expect(weak.value).toBeGreaterThan(4)
    expect(weak.value).toBeLessThan(9)
    expect(probe([bad], '5').value).toBeLessThan(weak.value!)
  })
})

describe('a lamp that is left on', () => {
  it('shows its glow whenever the circuit is operated, and what it shows is evidence', () => {
    const left = {
      instrument: 'testLamp',
      settings: { size: '1' },
      held: { type: 'leads', red: 'L1a', black: 'B1-' },
    } as const
    const open: Fault = { kind: 'open', part: 'W4', segment: 'copper' }
    const attempt = new Attempt(lamp, [open], on).operate()
    const step = attempt.act({ type: 'operate', arrangement: on, also: [left] })
    expect(step.type === 'operate' && step.shows?.[0]?.word).toBe('dark')
    const judged = attempt.judged(new Predictor(lamp, undefined, [open]))
    // What lies behind the lamp is not what leaves it dark.
    expect(judged.doubts.at(-1)!['G1.foot'] ?? 0).toBeLessThan(0.02)
  })
})
