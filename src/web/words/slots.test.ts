import { describe, expect, it } from 'vitest'
import { piecesOf, slot } from './slots'

describe('a sentence with something drawn in it', () => {
  it('falls into what is written and what is drawn, in the order of its language', () => {
    expect(piecesOf(`Hand out from ${slot('plant')}, or ${slot('day')}`)).toEqual([
      { text: 'Hand out from ' },
      { slot: 'plant' },
      { text: ', or ' },
      { slot: 'day' },
    ])
    expect(piecesOf(`${slot('day')}${slot('plant')}`)).toEqual([{ slot: 'day' }, { slot: 'plant' }])
  })

  it('is one piece where nothing is drawn', () => {
    expect(piecesOf('As it is')).toEqual([{ text: 'As it is' }])
    expect(piecesOf('')).toEqual([])
  })
})
