import { type Message, say } from '../document'
import { areaOfGauge } from './gauge'
import type { Unit } from './format'

export type Parsed = { ok: true; value: number } | { ok: false; why: Message }

const scales: Readonly<Record<string, number>> = {
  M: 1e6,
  meg: 1e6,
  k: 1e3,
  K: 1e3,
  '': 1,
  m: 1e-3,
  u: 1e-6,
  µ: 1e-6,
  μ: 1e-6,
  n: 1e-9,
}

const unitWords: Readonly<Record<Unit, readonly string[]>> = {
  V: ['V', 'v', 'volt', 'volts'],
  A: ['A', 'a', 'amp', 'amps'],
  Ω: ['Ω', 'Ω', 'ohm', 'ohms', 'R', 'r'],
  W: ['W', 'w', 'watt', 'watts'],
  H: ['H', 'henry'],
  m: ['m'],
  'mm²': ['mm²', 'mm2'],
  '°C': ['°C', 'C', 'c'],
  '%': ['%'],
  s: ['s'],
  h: ['h'],
  Ah: ['Ah', 'ah'],
  K: ['K'],
  '': [],
}

const example: Readonly<Record<Unit, string>> = {
  V: '12.4, 0.28 or 280 mV',
  A: '4.6 or 850 mA',
  Ω: '4.7, 4k7 or 12 mΩ',
  W: '55',
  H: '0.3 or 300 mH',
  m: '2.5',
  'mm²': '1.5 or AWG 14',
  '°C': '20',
  '%': '85',
  s: '5',
  h: '11',
  Ah: '70',
  K: '2800',
  '': '3',
}

/**
 * Reads what a person types for a value: `0.28`, `0,28`, `280m`, `280 mV`, `4k7`, `−3.2`.
 * Never throws: what cannot be read comes back with an example of what can.
 */
export function parseQuantity(input: string, unit: Unit): Parsed {
  const refuse = (): Parsed => ({
    ok: false,
    why: input.trim()
      ? say('quantity.unreadable', {
          text: input.trim().slice(0, 40),
          unit: unit || 'none',
          example: example[unit],
        })
      : say('quantity.missing', { example: example[unit] }),
  })
  const gauge = unit === 'mm²' ? /^\s*(?:AWG\s*(\d+)|(\d+)\s*AWG)\s*$/i.exec(input) : null
  if (gauge) return { ok: true, value: areaOfGauge(Number(gauge[1] ?? gauge[2])) }
  let text = input
    .trim()
    .replace(/[\u2212\u2013]/g, '-')
    .replace(',', '.')
    .replace(/\s+/g, '')
  for (const word of [...unitWords[unit]].sort((a, b) => b.length - a.length)) {
    // `4R7` keeps its letter: there it stands for the decimal point.
    if (text.endsWith(word) && text.length > word.length) {
      text = text.slice(0, -word.length)
      break
    }
  }
  const infix = /^([+-]?\d+)(M|k|K|m|R|r|V|v|u|µ|μ)(\d+)$/.exec(text)
  if (infix) {
    const [, whole, letter, fraction] = infix
    const scale = scales[letter!] ?? 1
    return { ok: true, value: Number(`${whole}.${fraction}`) * scale }
  }
  const plain = /^([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)(meg|[MkKmuµμn]?)$/.exec(text)
  if (!plain) return refuse()
  const value = Number(plain[1]) * (scales[plain[2]!] ?? Number.NaN)
  return Number.isFinite(value) ? { ok: true, value } : refuse()
}
