import { afterEach, beforeAll, describe, expect, it } from 'vitest'
import { demoCircuit, demoNames } from '../../../test/demo'
import { piecesOf } from '../../core/model'
import { loadWords, use } from '../words'
import { pieceName, verdictWords } from './verdictWords'

beforeAll(loadWords)
afterEach(() => use('en'))

const circuit = demoCircuit('sweeper-work-lamp')

describe('pieces in what is judged', () => {
  it('are named, each on its own, in every demo circuit; a part that is one piece keeps its short name', () => {
    for (const name of demoNames) {
      const one = demoCircuit(name)
      const several = piecesOf(one).filter(({ id }) => id.includes('.'))
      const names = several.map(({ id }) => pieceName(one, id))
      expect(
        names.every((said) => said && !said.includes('.')),
        name,
      ).toBe(true)
      expect(new Set(names).size, name).toBe(several.length)
    }
    expect(pieceName(circuit, 'W1')).toBe(undefined)
    // A point of a socket looks like a piece, and is none.
    expect(pieceName(demoCircuit('van-cooling-fan'), 'K1.30')).toBe(undefined)
  })

  it('stand by name inside a sentence, in the reader’s language', () => {
    const message = { code: 'readings.within', params: { what: 'F1.holder', loss: 1, most: 2 } }
    expect(verdictWords(circuit)(message)).toContain('F1 holder')
    expect(verdictWords(null)(message)).toContain('F1.holder')
    use('de')
    expect(verdictWords(circuit)(message)).toContain('F1 Halter')
  })
})
