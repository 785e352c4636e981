import { describe, expect, it } from 'vitest'
import { demoCircuit } from '../../../test/demo'
import { describeArrangement, describePrediction, stepWords } from './stepWords'

const plain = (text: string) => text.replace(/\u00a0/g, ' ')

describe('steps in words', () => {
  it('say what was set, by the names of the positions', () => {
    expect(
      describeArrangement(demoCircuit(), { controls: { S1: 'closed', S2: 'open' }, detached: ['X1'] }),
    ).toBe('S1 closed, S2 open, X1 unplugged')
    const hopper = demoCircuit('sweeper-hopper-motor')
    expect(describeArrangement(hopper, { controls: { SC1: 'pedalDown' }, detached: [] })).toBe(
      'SC1 pedal down',
    )
  })

  it('say what was predicted in the unit of the instrument', () => {
    const predicted = (...of: Parameters<typeof describePrediction>) => plain(describePrediction(...of))
    expect(predicted({ type: 'value', value: 0.28 }, 'V')).toBe('280 mV')
    expect(predicted({ type: 'value', value: 4700 }, 'Ω')).toBe('4.70 kΩ')
    expect(predicted({ type: 'OL' }, 'Ω')).toBe('OL')
    expect(predicted({ type: 'beep' }, 'Ω')).toBe('a beep')
    expect(predicted({ type: 'word', word: 'dim' }, 'V')).toBe('dim')
  })

  it('name the instrument, what is set on it, how it was held and what else was connected', () => {
    const lamp = {
      instrument: 'testLamp',
      settings: { size: '2' },
      held: { type: 'inPlaceOf', part: 'F1' },
    } as const
    const { head, text } = stepWords(
      demoCircuit(),
      {
        type: 'test',
        arrangement: { controls: {}, detached: [] },
        instrument: 'clamp',
        settings: { zero: 'not' },
        held: { type: 'jaws', round: ['W3'] },
        also: [lamp],
        prediction: { type: 'value', value: 2 },
        reading: { value: 1.9, unit: 'A', text: '1.90\u00a0A', signs: [] },
        source: 'model',
      },
      3,
    )
    expect(plain(head)).toBe('Reading 3: 1.90 A')
    expect(plain(text)).toContain('DC clamp, before clamping not zeroed round W3')
    expect(text).toContain('with Test lamp, lamp 2 A in place of F1')
  })
})
