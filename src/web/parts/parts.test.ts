import { describe, expect, it } from 'vitest'
import { fileName } from './download'
import { uuid } from './uuid'

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
})
