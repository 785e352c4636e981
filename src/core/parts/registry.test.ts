import { describe, expect, it } from 'vitest'
import { parts, routeThrough, type AnyPart, type Net, type Surroundings } from '.'
import { problemsOf } from '../document'
import { tell } from '../words'
import type { Law } from '../solve'

const around = (definition: AnyPart, more: Partial<Surroundings> = {}): Surroundings => ({
  temperature: 20,
  contacts: 0.5,
  rest: 0.2,
  position: definition.positions?.[definition.positions.length - 1],
  detached: false,
  blown: false,
  struck: new Map(),
  mode: definition.modes?.rest ?? '',
  engineRuns: false,
  sinceKeyOff: 0,
  ...more,
})

interface Stamped {
  readonly segment: string
  readonly ends: readonly [string, string]
  readonly ohms?: number
  readonly law?: Law
}

function stamp(definition: AnyPart, more: Partial<Surroundings> = {}, parameters: object = {}): Stamped[] {
  const stamped: Stamped[] = []
  const net: Net = {
    resistor: (segment, a, b, ohms) => stamped.push({ segment, ends: [a, b], ohms }),
    contact: (segment, a, b, ohms) => stamped.push({ segment, ends: [a, b], ohms }),
    source: (segment, a, b, _volts, ohms) => stamped.push({ segment, ends: [a, b], ohms }),
    nonlinear: (segment, a, b, law) => stamped.push({ segment, ends: [a, b], law }),
    current: (segment, a, b) => stamped.push({ segment, ends: [a, b] }),
  }
  definition.stamp(definition.parameters.parse(parameters), net, around(definition, more))
  return stamped
}

describe.each(parts.map((part) => [part.kind, part] as const))('%s', (_kind, part) => {
  const terminals = part.terminals.map((t) => t.key)
  const segments = part.segments.map((s) => s.key)

  it('names only terminals and segments that it has', () => {
    for (const segment of part.segments) for (const key of segment.between) expect(terminals).toContain(key)
    for (const key of part.through) expect(terminals).toContain(key)
    for (const pair of part.benchPairs ?? []) for (const key of pair) expect(terminals).toContain(key)
    for (const key of [...(part.loads ?? []), ...(part.detach?.opens ?? [])]) expect(segments).toContain(key)
    if (part.protects) expect(segments).toContain(part.protects.segment)
    if (part.notice) expect(segments).toContain(part.notice.segment)
    expect(new Set(terminals).size).toBe(terminals.length)
    expect(new Set(part.terminals.map((t) => t.suffix)).size).toBe(terminals.length)
  })

  it('gives a path a way through it, over segments that hang together', () => {
    const { terminals: way, segments: over } = routeThrough(part)
    expect([way[0], way[way.length - 1]]).toEqual([...part.through])
    expect(over).toHaveLength(way.length - 1)
    over.forEach((segment, i) => {
      expect(segment.between).toContain(way[i])
      expect(segment.between).toContain(way[i + 1])
    })
  })

  it('is a sound part by its defaults, and refuses what is out of range with what would be accepted', () => {
    const values = part.parameters.parse({})
    expect(tell(part.summary(values))).not.toContain('parts.')
    for (const [name, value] of Object.entries(values)) {
      if (typeof value !== 'number') continue
      const wrong = part.parameters.safeParse({ ...values, [name]: -1e9 })
      expect(wrong.success, name).toBe(false)
      expect(tell(problemsOf(wrong.error!)[0]!)).toMatch(/must lie between/)
    }
  })

  it('stamps only its own segments, with ohms above nothing, at any temperature', () => {
    for (const temperature of [-40, 20, 85]) {
      for (const one of stamp(part, { temperature })) {
        expect(segments).toContain(one.segment)
        if (one.ohms !== undefined) expect(one.ohms).toBeGreaterThan(0)
        for (const key of one.ends) if (!key.startsWith('#')) expect(terminals).toContain(key)
      }
    }
  })

  it('has laws that rise with the volts, whose slope is their derivative', () => {
    const out = { current: 0, slope: 0 }
    for (const mode of [part.modes?.rest ?? '', 'pulled', 'engaged', 'charging', 'awake']) {
      for (const { law, segment } of stamp(part, { mode })) {
        if (!law) continue
        let last = -Infinity
        for (let v = -14; v <= 14; v += 0.37) {
          law.at(v, out)
          const { current, slope } = out
          expect(current, `${segment} at ${v}`).toBeGreaterThanOrEqual(last - 1e-9 * Math.abs(last))
          expect(slope).toBeGreaterThanOrEqual(0)
          last = current
          const step = 1e-6
          law.at(v + step, out)
          const above = out.current
          law.at(v - step, out)
          const numeric = (above - out.current) / (2 * step)
          // At a knee the two sides differ; anywhere else the slope is what Newton needs.
          if (Math.abs(current) < 1e5 && numeric > 1e-6 && Math.abs(numeric / slope - 1) > 0.05) {
            law.at(v + 10 * step, out)
            const right = out.slope
            law.at(v - 10 * step, out)
            expect(Math.abs(right / out.slope - 1), `${segment} at ${v}`).toBeGreaterThan(0.02)
          }
        }
        expect(law.spice('X', 'a', 'b').join('\n')).toMatch(/^[BDV]X/m)
      }
    }
  })

  it('tells a person one thing at a time, from a closed list', () => {
    if (!part.notice) return
    const { all, read } = part.notice
    expect(new Set(all.map((n) => n.key)).size).toBe(all.length)
    const values = part.parameters.parse({})
    for (const volts of [0, 0.5, 3, 6, 9, 12, 15]) {
      for (const inLimitCycle of [false, true]) {
        const at = { volts, amps: volts / 3, watts: volts ** 2 / 3 }
        const said = read(values, at, {
          mode: part.modes?.rest ?? '',
          inLimitCycle,
          temperature: 20,
          of: () => at,
        })
        expect(all.map((n) => n.key)).toContain(said.key)
      }
    }
  })
})
