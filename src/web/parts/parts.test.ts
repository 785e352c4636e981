import { describe, expect, it } from 'vitest'
import { fileName } from './download'
import { uuid } from './uuid'
import { describeArrangement, describePrediction } from './words'
import type { StepOf } from '../../core/assessment'

describe('words and names', () => {
  it('makes identifiers that the server takes, and never the same twice', () => {
    const made = Array.from({ length: 500 }, uuid)
    expect(new Set(made).size).toBe(500)
    for (const id of made)
      expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/)
  })

  it('names files after circuits, whatever those are called', () => {
    expect(fileName('Work lamp, street sweeper', 'csv')).toBe('work-lamp-street-sweeper.csv')
    expect(fileName('../../etc', 'json')).toBe('etc.json')
    expect(fileName('—', 'csv')).toBe('circuit.csv')
  })

  it('says what was set and what was predicted', () => {
    expect(describeArrangement({ controls: { S1: 'closed', S2: 'open' }, detached: ['X1'] })).toBe(
      'S1 closed, S2 open, X1 out',
    )
    const predicted = (prediction: StepOf<'test'>['prediction'], dial: 'volts' | 'ohms' = 'volts') =>
      describePrediction({ prediction, function: dial } as StepOf<'test'>).replace(/\u00a0/g, ' ')
    expect(predicted({ type: 'value', value: 0.28 })).toBe('280 mV')
    expect(predicted({ type: 'value', value: 4700 }, 'ohms')).toBe('4.70 kΩ')
    expect(predicted({ type: 'OL' })).toBe('OL')
    expect(predicted({ type: 'beep' })).toBe('a beep')
  })
})
