import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { formatQuantity, parseQuantity, type Unit } from '.'

const plain = (text: string) => text.replace(/\u00a0/g, ' ')

describe('writing values as the trade does', () => {
  it.each<[number, Unit, string]>([
    [12.34, 'V', '12.34 V'],
    [0.28, 'V', '280 mV'],
    [0.0047, 'Ω', '4.70 mΩ'],
    [-0.28, 'V', '\u2212280 mV'],
    [4700, 'Ω', '4.70 kΩ'],
    [0, 'V', '0 V'],
    [4.583, 'A', '4.58 A'],
    [1e-9, 'V', '0 V'],
    [Infinity, 'Ω', 'OL'],
    [55, 'W', '55.00 W'],
    [2.5, 'm', '2.5 m'],
    [0.99999, 'V', '1.00 V'],
  ])('%d %s is %s', (value, unit, text) => expect(plain(formatQuantity(value, unit))).toBe(text))
})

describe('reading what people type', () => {
  it.each<[string, Unit, number]>([
    ['4k7', 'Ω', 4700],
    ['4R7', 'Ω', 4.7],
    ['0.28', 'V', 0.28],
    ['280m', 'V', 0.28],
    ['280 mV', 'V', 0.28],
    ['0,28', 'V', 0.28],
    ['\u22123.2', 'V', -3.2],
    ['1.5 mm2', 'mm²', 1.5],
    // ASTM B258: gauge 36 is 0.127 mm thick.
    ['AWG 36', 'mm²', (Math.PI / 4) * 0.127 ** 2],
    ['36AWG', 'mm²', (Math.PI / 4) * 0.127 ** 2],
    ['2 m', 'm', 2],
    ['10 meg', 'Ω', 1e7],
    ['12 mΩ', 'Ω', 0.012],
  ])('%s in %s is %d', (text, unit, value) => {
    const read = parseQuantity(text, unit)
    expect(read).toMatchObject({ ok: true })
    if (read.ok) expect(read.value).toBeCloseTo(value, 12)
  })

  it.each(['', 'lots', '12..4', '4k7k', '--3', '1e999'])(
    'refuses %j with an example of what it would take',
    (text) => {
      const read = parseQuantity(text, 'V')
      expect(read.ok).toBe(false)
      if (!read.ok) expect(tell(read.why)).toContain('280 mV')
    },
  )

  it('reads back whatever it writes, to the digits written', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-3, max: 1e6, noNaN: true }),
        fc.constantFrom<Unit>('V', 'A', 'Ω'),
        (value, unit) => {
          const read = parseQuantity(formatQuantity(value, unit), unit)
          expect(read.ok).toBe(true)
          if (read.ok) expect(Math.abs(read.value - value) / value).toBeLessThan(0.006)
        },
      ),
    )
  })
})
