import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { applyEdit, readCircuit, readCircuitText, type Edit } from '../editing'
import { openingState, type Circuit } from '.'
import { wireUp } from '../model'
import { demoCircuit, demoNames, demoText } from '../../../test/demo'
import { partOfKind } from '../parts'

const raw = () => JSON.parse(demoText('sweeper-work-lamp')) as Record<string, never>
const problemsOf = (input: unknown) => {
  const read = readCircuit(input)
  return read.ok ? [] : read.problems.map((p) => `${p.where}: ${tell(p)}`)
}
/** The demo document with something spoilt in it. */
function spoilt(
  change: (doc: {
    format: string
    parts: { id: string; kind: string; parameters: Record<string, unknown> }[]
    paths: { from: string; to: string; steps: { part: string; enter?: string }[] }[]
    states: { id: string; controls: Record<string, string>; detached: string[] }[]
  }) => void,
): unknown {
  const doc = raw()
  change(doc as never)
  return doc
}

describe('letting a document in', () => {
  it('fills in what is left out', () => {
    const fuse = demoCircuit().parts.find((p) => p.id === 'F1')
    expect(fuse?.parameters).toEqual({ rating: 10, type: 'regular', clipOhms: 0.0015 })
  })

  it.each<[string, unknown, RegExp]>([
    ['nothing', null, /document/],
    ['another format', spoilt((d) => (d.format = 'sketch')), /format: format must be “brachyon-circuit”/],
    [
      'an unknown kind',
      spoilt((d) => (d.parts[1]!.kind = 'tube')),
      /parts\[1\]\.kind: Unknown kind of part\. Known are: battery/,
    ],
    [
      'a value out of range',
      spoilt((d) => (d.parts[1]!.parameters = { length: -3 })),
      /parts\[1\] \(W1\)\.parameters\.length: Length must lie between 0\.01 and 100 m/,
    ],
    [
      'a value that is no number',
      spoilt((d) => (d.parts[1]!.parameters = { length: 'long' })),
      /Length must lie between/,
    ],
    ['a value that the part lacks', spoilt((d) => (d.parts[1]!.parameters = { colour: 1 })), /colour/],
    ['an id used twice', spoilt((d) => (d.parts[3]!.id = 'W1')), /W1 is used twice/],
    [
      'a part that is not there',
      spoilt((d) => (d.paths[0]!.steps[2]!.part = 'W9')),
      /paths\[0\]\.steps\[2\]: There is no part W9/,
    ],
    [
      'a terminal that is not there',
      spoilt((d) => (d.paths[0]!.steps[2]!.enter = 'z')),
      /W2 has no terminal “z”: it has a, b/,
    ],
    ['a part on no path', spoilt((d) => d.paths[0]!.steps.splice(2, 1)), /W2 is on no path/],
    ['no return', spoilt((d) => (d.paths[0]!.to = 'CH1.a')), /L1 has no return: lead its path back/],
    [
      'no battery',
      spoilt((d) => {
        d.parts.shift()
        d.paths[0]!.from = 'W1.a'
        d.paths[0]!.to = 'ST1.b'
      }),
      /no battery/,
    ],
    [
      'a position that the switch lacks',
      spoilt((d) => (d.states[0]!.controls = { S1: 'halfway' })),
      /S1 has no position “halfway”: it has open, closed/,
    ],
    ['a control that is none', spoilt((d) => (d.states[0]!.controls = { F1: 'on' })), /F1 is no control/],
    [
      'something that cannot be unplugged',
      spoilt((d) => (d.states[0]!.detached = ['W1'])),
      /W1 cannot be unplugged/,
    ],
  ])('refuses %s, saying what and where', (_name, input, message) => {
    expect(problemsOf(input).join('\n')).toMatch(message)
  })

  it('says in which line broken JSON breaks', () => {
    const read = readCircuitText('{\n  "format": "brachyon-circuit",\n  oops\n}')
    expect(read.ok).toBe(false)
    if (!read.ok) expect(tell(read.problems[0]!)).toContain('not JSON')
  })

  it('answers anything at all with a circuit or with problems, never with a crash', () => {
    fc.assert(
      fc.property(fc.anything(), fc.nat(14), fc.anything(), (anything, index, value) => {
        expect(readCircuit(anything).ok).toBe(false)
        const doc = spoilt(
          (d) => ((d.parts[index]! as unknown as Record<string, unknown>).parameters = value as never),
        )
        readCircuit(doc)
      }),
    )
  })
})

describe('nodes and points', () => {
  it('names a joint after the piece that a probe touches, and finds it by any of its names', () => {
    const { find, points } = wireUp(demoCircuit())
    expect(find('w1b')?.name).toBe('F1a')
    expect(find('F1A')?.name).toBe('F1a')
    expect(find('B1-')?.node).toBe(0)
    expect(find('nowhere')).toBeUndefined()
    expect(points.map((p) => p.name).slice(0, 4)).toEqual(['B1+', 'B1p', 'F1a', 'F1ta'])
    expect(points[points.length - 1]?.name).toBe('B1−')
  })

  it('gives every node one point and no name twice', () => {
    const { count, points } = wireUp(demoCircuit())
    expect(points).toHaveLength(count)
    const names = points.flatMap((p) => [p.name, ...p.aliases])
    expect(new Set(names).size).toBe(names.length)
  })
})

describe('edits', () => {
  const edit = fc.oneof<fc.Arbitrary<Edit>[]>(
    fc.record({
      type: fc.constant('setParameter' as const),
      part: fc.constantFrom('W1', 'F1', 'L1', 'B1', 'Z9'),
      name: fc.constantFrom('length', 'rating', 'ratedPower', 'charge'),
      value: fc.double({ min: -10, max: 120, noNaN: true }),
    }),
    fc.record({
      type: fc.constant('namePart' as const),
      part: fc.constantFrom('W1', 'L1', 'Z9'),
      name: fc.string({ maxLength: 20 }),
    }),
    fc.record({ type: fc.constant('rename' as const), name: fc.string({ minLength: 1, maxLength: 20 }) }),
    fc.record({
      type: fc.constant('setTemperature' as const),
      value: fc.double({ min: -40, max: 85, noNaN: true }),
    }),
  )

  it('leave the document valid, and their inverses undo them exactly', () => {
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 12 }), (edits) => {
        const start = demoCircuit()
        let circuit: Circuit = start
        const inverses: Edit[] = []
        for (const e of edits) {
          const result = applyEdit(circuit, e)
          if (!result.ok) continue
          circuit = result.circuit
          inverses.push(result.inverse)
          expect(readCircuit(circuit).ok).toBe(true)
        }
        for (const inverse of inverses.reverse()) {
          const result = applyEdit(circuit, inverse)
          if (!result.ok) throw new Error(tell(result.problem))
          circuit = result.circuit
        }
        expect(circuit).toEqual(start)
      }),
    )
  })

  it('refuse a value out of range with the range, and change nothing', () => {
    const result = applyEdit(demoCircuit(), {
      type: 'setParameter',
      part: 'L1',
      name: 'ratedPower',
      value: 9000,
    })
    expect(result.ok ? '' : tell(result.problem)).toBe('Rated watts must lie between 0.5 and 150 W')
  })
})

describe('the state that a circuit opens in', () => {
  it.each(demoNames)('of %s is the first with something switched on', (name) => {
    const circuit = demoCircuit(name)
    const opened = openingState(circuit)
    const at = circuit.states.indexOf(opened)
    const acts = (state: (typeof circuit.states)[number]) =>
      circuit.parts.some((part) => {
        const rest = partOfKind(part.kind).positions?.[0]
        return rest !== undefined && (state.controls[part.id] ?? rest) !== rest
      })
    expect(circuit.states.slice(0, Math.max(at, 0)).some(acts)).toBe(false)
    expect(acts(opened) || !circuit.states.some(acts)).toBe(true)
  })

  it('is the first of all where nothing is ever switched', () => {
    const circuit = demoCircuit()
    const still = circuit.states.map((s) => ({ ...s, controls: {} }))
    expect(openingState({ ...circuit, states: still })).toBe(still[0])
  })
})
