import { describe, expect, it } from 'vitest'
import { z } from 'zod'
import { door } from '.'

const schema = z.strictObject({ name: z.string(), size: z.number() })
const three = door('thing', 3, schema, {
  1: ({ label, ...rest }) => ({ ...rest, name: label }),
  2: (thing) => ({ ...thing, size: 1 }),
})

describe('the way in for stored documents', () => {
  it('lifts a document of any version, one version at a time', () => {
    for (const stored of [
      { label: 'a' },
      { v: 1, label: 'a' },
      { v: 2, name: 'a' },
      { v: 3, name: 'a', size: 1 },
    ])
      expect(three.read(stored)).toEqual({ ok: true, value: { name: 'a', size: 1 } })
    expect(three.read(three.write({ name: 'b', size: 2 }))).toMatchObject({ ok: true })
  })

  it.each([4, 0, -1, 1.5, '2', null])('refuses version %s', (v) => {
    const read = three.read({ v, name: 'a', size: 1 })
    expect(read.ok ? [] : read.problems.map(({ where }) => where)).toEqual(['thing'])
  })

  it('does not begin with a gap between its versions, nor with an upgrade beyond the newest', () => {
    expect(() => door('thing', 3, schema, { 2: (one) => one })).toThrow(
      'thing: no upgrade from version 1 to 2',
    )
    expect(() => door('thing', 2, schema, { 1: (one) => one, 2: (one) => one })).toThrow(/the newest is 2/)
  })
})
