import { tell } from '../words'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { demoCircuit, demoNames } from '../../../test/demo'
import { partOfKind, parts } from '../parts'
import {
  addPath,
  commonReturn,
  emptyCircuit,
  insertItems,
  makePart,
  presets,
  readQuick,
  suggestions,
  terminalAt,
} from '.'
import { wireUp } from '../model'
import { drawn } from '../../../test/random'

describe('typed lines, whatever they are', () => {
  const word = fc.constantFrom(
    'fuse',
    'wire',
    'lamp',
    'relay',
    'K1.86',
    'F1',
    '15',
    '4k7',
    '2m',
    'A',
    '“',
    '"',
    ',',
    'from',
    'to',
    'F1a:',
    'G1e',
    '−',
    'AWG',
    '14',
    '1e99',
    'NaN',
    '∞',
  )

  it('are read or refused with a reason, and what is read can be built', () => {
    const fan = demoCircuit('van-cooling-fan')
    fc.assert(
      fc.property(
        fc.oneof(
          fc.array(word, { maxLength: 14 }).map((w) => w.join(' ')),
          fc.string(),
        ),
        (line) => {
          const read = readQuick(fan, line)
          if (!read.ok) {
            expect(tell(read.why).length).toBeGreaterThan(5)
            return
          }
          expect(read.items).toHaveLength(read.shown.length)
          for (const item of read.items)
            if ('new' in item) expect(() => makePart(fan.parts, item.new)).not.toThrow()
          const built =
            read.from || read.to
              ? addPath(fan, {
                  from: read.from ?? fan.paths[0]!.from,
                  to: read.to ?? commonReturn(fan),
                  items: read.items,
                })
              : insertItems(fan, fan.paths[0]!.id, 1, read.items)
          if (!built.ok) expect(tell(built.problem).length).toBeGreaterThan(5)
        },
      ),
      drawn(400, 2026),
    )
  })

  it('name every kind of part by one of its words', () => {
    for (const part of parts.filter((p) => p.role !== 'source')) {
      const name = part.quick!.words[0]!
      const read = readQuick(emptyCircuit('e'), name)
      expect(read.ok && 'new' in read.items[0]! && read.items[0].new.kind, name).toBe(part.kind)
    }
  })

  it('offer each kind once for what is begun', () => {
    expect(suggestions('wi')).toContain('wire')
    expect(suggestions('zzz')).toEqual([])
    expect(new Set(suggestions('')).size).toBe(suggestions('').length)
  })
})

describe('points by name', () => {
  it.each(demoNames)('of %s lead to the terminal that stands there', (name) => {
    const circuit = demoCircuit(name)
    const { points, nodeOf } = wireUp(circuit)
    for (const point of points) {
      if (point.inside) continue
      const [part, key] = terminalAt(circuit, point.name)!.split('.') as [string, string]
      expect(nodeOf(part, key), point.name).toBe(point.node)
    }
  })
})

describe('values that follow from the system', () => {
  it('keep every default inside its range, at 12 and at 24 V', () => {
    for (const volts of [12, 24] as const) {
      const bench = emptyCircuit('b', volts)
      for (const part of parts) {
        const checked = partOfKind(part.kind).parameters.safeParse(presets(bench, part))
        expect(checked.success, part.kind).toBe(true)
      }
    }
  })

  it('scale a motor’s armature with its amps', () => {
    const motor = partOfKind('motor')
    expect(presets(emptyCircuit('b'), motor, { ratedCurrent: 16 })).toMatchObject({ armatureOhms: 0.15 })
  })
})
