import { expect, it } from 'vitest'
import { Registry, UnknownKey } from '.'
import { faultOfKind } from '../faults'
import { instrumentOf, type InstrumentKey } from '../instruments'
import { partOfKind } from '../parts'

const list = [{ key: 'a' }, { key: 'b' }]
const keyOf = ({ key }: { key: string }) => key

it('lists in order, finds by key, and says of an unknown key what is known', () => {
  const letters = new Registry('letter', list, keyOf, (key) => (key.startsWith('x') ? { key } : undefined))
  expect(letters.keys).toEqual(['a', 'b'])
  expect(letters.get('b')).toBe(list[1])
  expect(letters.get('x9')).toEqual({ key: 'x9' })
  expect(letters.find('c')).toBeUndefined()
  expect(() => letters.get('c')).toThrow('there is no letter “c”; known are a, b')
  expect(() => new Registry('letter', [...list, { key: 'a' }], keyOf)).toThrow(
    'two definitions of letter “a”',
  )
})

it('is the one way to look up a part, a fault or an instrument', () => {
  for (const ask of [
    () => partOfKind('tube'),
    () => faultOfKind('tired'),
    () => instrumentOf('eye' as InstrumentKey),
  ])
    expect(ask).toThrow(UnknownKey)
  expect(partOfKind('module-2-1-3-40-0-6-2')).toBe(partOfKind('module-2-1-3-40-0-6-2'))
})
