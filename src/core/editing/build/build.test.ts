import { tell } from '../../words'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  addPath,
  addPlace,
  applyEdit,
  arrangement,
  commonReturn,
  makePart,
  copySteps,
  emptyCircuit,
  insertItems,
  keepState,
  leadEnd,
  moveStep,
  nextId,
  readCircuit,
  readQuick,
  removeParts,
  removePath,
  removePlace,
  removeState,
  renameId,
  renameState,
  replacePart,
  setConductor,
  type Built,
} from '..'
import { wireUp } from '../../model'
import { type Circuit, type Part, refOf, splitRef } from '../../circuit'
import { partKinds } from '../../parts'
import { stateKey } from '../../readings'
import { demoCircuit, demoNames } from '../../../../test/demo'
import { drawn } from '../../../../test/random'

const of = (built: Built): Circuit => {
  if (!built.ok) throw new Error(tell(built.problem))
  return built.circuit
}
const ids = (circuit: Circuit, path = 0) => circuit.paths[path]!.steps.map((s) => s.part)
/** A line typed at the end of a path, as the field does it. */
const type = (circuit: Circuit, line: string, path = circuit.paths[0]!.id): Circuit => {
  const read = readQuick(circuit, line)
  if (!read.ok) throw new Error(tell(read.why))
  if (read.from || read.to)
    return of(
      addPath(circuit, {
        from: read.from ?? refOf(circuit.parts[0]!.id, 'p'),
        to: read.to ?? commonReturn(circuit),
        items: read.items,
      }),
    )
  return of(insertItems(circuit, path, 99, read.items))
}

describe('a circuit that is brought in', () => {
  it.each([
    ['nothing at all', []],
    ['a wire alone', [{ id: 'W1', kind: 'wire', name: '', parameters: {} }]],
  ])('with %s between + and − is refused, and may stand while it is built', (_, between) => {
    const circuit = demoCircuit()
    const bare = {
      ...circuit,
      parts: [circuit.parts[0], ...between],
      paths: [
        { id: 'p', name: '', from: 'B1.p', to: 'B1.n', steps: between.map(({ id }) => ({ part: id })) },
      ],
      states: [{ id: 'x', name: 'x', controls: {}, detached: [] }],
    }
    expect(readCircuit(bare)).toMatchObject({ ok: false, problems: [{ code: 'circuit.nothingBetween' }] })
    expect(readCircuit(bare, { unfinished: true })).toMatchObject({ ok: true })
  })
})

describe('a relay fan from an empty bench', () => {
  const fan = () => {
    let c = emptyCircuit('fan')
    c = type(
      c,
      'wire 4 0.5, fuse 30 maxi, wire 4 1.2 m, relay, wire 4 2m, fan 16 A "cooling fan", wire 4 1, stud, chassis, strap',
    )
    c = type(
      c,
      'from F1a: fuse 10, wire 0.75 1.5, switch fan switch, wire 0.75 2, K1.86, wire 0.75 0.6 to G1e',
    )
    return c
  }

  it('needs two lines', () => {
    const c = fan()
    expect(ids(c)).toEqual(['W1', 'F1', 'W2', 'K1', 'W3', 'M1', 'W4', 'G1', 'CH1', 'ST1'])
    expect(ids(c, 1)).toEqual(['F2', 'W5', 'S1', 'W6', 'K1', 'W7'])
    expect(c.paths[1]).toMatchObject({ from: 'F1.a', to: 'G1.e' })
    expect(c.paths[1]!.steps[4]).toEqual({ part: 'K1', enter: 't86', leave: 't85' })
    expect(readCircuit(c)).toMatchObject({ ok: true })
    expect(c.parts.find((p) => p.id === 'M1')).toMatchObject({
      name: 'cooling fan',
      parameters: { ratedCurrent: 16 },
    })
    expect(c.parts.find((p) => p.id === 'S1')!.name).toBe('fan switch')
    expect(c.parts.find((p) => p.id === 'W2')!.parameters).toMatchObject({ section: 4, length: 1.2 })
  })

  it('runs when its switch is closed', () => {
    const c = fan()
    const key = stateKey(c, [], { ...c.states[0]!, controls: { S1: 'closed' } })
    if (!key.ok) throw new Error(tell(key.why))
    expect(key.notices.find((n) => n.part === 'M1')).toMatchObject({ key: 'turns' })
  })
})

describe('a typed line', () => {
  const bench = emptyCircuit('b')
  const read = (line: string, circuit = bench) => {
    const r = readQuick(circuit, line)
    if (!r.ok) throw new Error(tell(r.why))
    return r.items
  }
  const only = (line: string, circuit = bench) =>
    (read(line, circuit)[0] as { new: { kind: string; name?: string; parameters: Record<string, unknown> } })
      .new

  it.each([
    ['fuse 15', 'fuse', { rating: 15 }],
    ['fuse 20 A maxi', 'fuse', { rating: 20, type: 'maxi' }],
    ['wire 1.5 3', 'wire', { section: 1.5, length: 3 }],
    ['wire 3 m 1.5 mm²', 'wire', { section: 1.5, length: 3 }],
    ['wire 3m 1.5mm2', 'wire', { section: 1.5, length: 3 }],
    ['cable awg 14 2', 'wire', { section: 2.081, length: 2 }],
    ['lamp 21', 'lamp', { ratedPower: 21, ratedVoltage: 12 }],
    ['lamp 24 V 70 W', 'lamp', { ratedPower: 70, ratedVoltage: 24 }],
    ['resistor 4.7', 'resistor', { ohms: 4.7 }],
    ['relay 90 diode', 'relay', { coilOhms: 90, suppression: 'diode' }],
    ['key switch', 'keySwitch', {}],
    ['push button', 'pushButton', {}],
    ['horn', 'horn', { ratedVoltage: 12 }],
  ])('%s', (line, kind, parameters) => {
    const made = only(line)
    expect(made.kind).toBe(kind)
    expect(made.parameters).toMatchObject(parameters)
  })

  it('knows a part by its first letters', () => expect(only('conn').kind).toBe('connector'))

  it('takes 24 V loads for a 24 V battery', () => {
    const gritter = emptyCircuit('g', 24)
    expect(only('lamp 70', gritter).parameters).toMatchObject({ ratedVoltage: 24 })
    expect(only('relay', gritter).parameters).toMatchObject({ coilOhms: 360, pullIn: 15 })
  })

  it('keeps commas that stand in quotes', () => {
    expect(only('lamp 5 "step, left"').name).toBe('step, left')
  })

  it.each([
    ['fuze 15', /“fuze” is no part/],
    ['fuse 4000', /Rating must lie between 1 and 100 A/],
    ['switch 12', /what is 12/],
    ['from Z9q: fuse 5', /no point Z9q/],
    ['', /Type a part/],
  ])('says what is wrong with “%s”', (line, what) => {
    const r = readQuick(bench, line)
    expect(r.ok ? '' : tell(r.why)).toMatch(what)
  })

  it('names the pins that a relay has', () => {
    const c = type(bench, 'relay')
    const r = readQuick(c, 'K1.99')
    expect(r.ok ? '' : tell(r.why)).toMatch(/86, 85, 30, 87, 87a/)
  })
})

describe('a plug of many pins', () => {
  it('takes the next free pin each time, across several paths', () => {
    let c = type(emptyCircuit('plug'), 'fuse 10, six-pin plug, lamp 21, wire 1.5 1')
    c = type(c, 'from F1b: switch, XP1, lamp 5, wire 1 1')
    c = type(c, 'from F1b: switch, XP1, horn, wire 1 1')
    expect(c.paths.map((p) => p.steps.find((s) => s.part === 'XP1'))).toEqual([
      { part: 'XP1' },
      { part: 'XP1', enter: 'a2', leave: 'b2' },
      { part: 'XP1', enter: 'a3', leave: 'b3' },
    ])
    expect(readCircuit(c)).toMatchObject({ ok: true })
  })
})

describe('changes to a path', () => {
  const lamp = demoCircuit()

  it('insert before, and say what is new', () => {
    const built = insertItems(lamp, lamp.paths[0]!.id, 2, [{ new: { kind: 'connector' } }])
    expect(built.ok && built.touched).toEqual(['X3'])
    expect(ids(of(built))[2]).toBe('X3')
  })

  it('move within a path, and into another', () => {
    const moved = of(
      moveStep(lamp, { path: lamp.paths[0]!.id, index: 0 }, { path: lamp.paths[0]!.id, index: 3 }),
    )
    expect(ids(moved)[2]).toBe(ids(lamp)[0])
    const rear = demoCircuit('van-rear-lamps')
    const across = of(
      moveStep(rear, { path: rear.paths[0]!.id, index: 1 }, { path: rear.paths[1]!.id, index: 1 }),
    )
    expect(ids(across, 1)[1]).toBe(ids(rear)[1])
  })

  it('replace a part by another kind, which takes over name and branches', () => {
    const rear = demoCircuit('van-rear-lamps')
    const fuse = rear.parts.find((p) => p.kind === 'fuse')!
    const built = replacePart(rear, fuse.id, { kind: 'breaker' })
    const now = of(built)
    expect(now.parts.some((p) => p.id === fuse.id)).toBe(false)
    expect(now.parts.find((p) => p.kind === 'breaker')!.name).toBe(fuse.name)
    expect(readCircuit(now)).toMatchObject({ ok: true })
  })

  it('give a part another short name everywhere', () => {
    const drain = demoCircuit('van-key-off-drain')
    const part = drain.parts.find((p) => p.kind === 'module')!
    const renamed = renameId(drain, part.id, 'N99')
    expect(JSON.stringify(renamed)).not.toContain(`"${part.id}"`)
    expect(readCircuit(renamed)).toMatchObject({ ok: true })
    expect(wireUp(renamed).count).toBe(wireUp(drain).count)
  })

  it('come back to the negative post of whatever supplies the circuit where nothing else is ground', () => {
    const [battery, supply] = ['battery', 'benchSupply'].map((kind) => makePart([], { kind })) as [Part, Part]
    for (const source of [battery, supply]) {
      const alone = { ...emptyCircuit('alone'), parts: [source], paths: [] }
      expect(commonReturn(alone)).toBe(refOf(source.id, 'n'))
    }
  })

  it('split a path, branch off there and come back to the common return', () => {
    const split = of(insertItems(lamp, lamp.paths[0]!.id, 3, [{ new: { kind: 'splice' } }]))
    const spl = split.parts.find((p) => p.kind === 'splice')!.id
    const branch = addPath(split, {
      from: refOf(spl, 'b'),
      to: commonReturn(split),
      items: [{ new: { kind: 'wire' } }, { new: { kind: 'led' } }, { new: { kind: 'wire' } }],
    })
    expect(readCircuit(of(branch))).toMatchObject({ ok: true })
    const elsewhere = leadEnd(of(branch), branch.path!, 'to', 'B1.n')
    expect(of(elsewhere).paths.at(-1)!.to).toBe('B1.n')
    expect(leadEnd(of(branch), branch.path!, 'to', `${spl}.b`).ok).toBe(false)
    expect(of(removePath(of(branch), branch.path!)).parts).toHaveLength(split.parts.length)
  })

  it('copy a stretch as new parts with the same values', () => {
    const items = copySteps(lamp, lamp.paths[0]!.id, 0, 3)
    const pasted = of(insertItems(lamp, lamp.paths[0]!.id, 3, items))
    expect(pasted.parts).toHaveLength(lamp.parts.length + 3)
    expect(new Set(pasted.parts.map((p) => p.id)).size).toBe(pasted.parts.length)
    expect(pasted.parts.at(-1)!.parameters).toEqual(lamp.parts.find((p) => p.id === ids(lamp)[2])!.parameters)
  })

  it('refuse to take the only battery, the last path, the last state', () => {
    expect(removeParts(lamp, ['B1']).ok).toBe(false)
    expect(removePath(lamp, lamp.paths[0]!.id).ok).toBe(false)
    const one = { ...lamp, states: lamp.states.slice(0, 1) }
    expect(removeState(one, one.states[0]!.id).ok).toBe(false)
  })

  it('an empty path joins nothing', () => {
    const bench = emptyCircuit('b')
    const { nodeOf } = wireUp(bench)
    expect(nodeOf('B1', 'p')).not.toBe(nodeOf('B1', 'n'))
  })
})

describe('states and bundles', () => {
  const lamp = demoCircuit()

  it('a state is kept under its name, kept again in its place, renamed and taken away', () => {
    const kept = keepState(lamp, { ...lamp.states[0]!, detached: ['L1'] }, 'Lamp out!')
    expect(kept.id).toBe('lamp-out')
    const again = keepState(of(kept), { ...lamp.states[0]!, detached: [] }, 'Lamp out!')
    expect(of(again).states.at(-1)).toMatchObject({ id: 'lamp-out', detached: [] })
    expect(of(again).states).toHaveLength(lamp.states.length + 1)
    expect(of(renameState(of(again), 'lamp-out', 'lamp away')).states.at(-1)!.name).toBe('lamp away')
    expect(renameState(of(again), 'lamp-out', lamp.states[0]!.name).ok).toBe(false)
    expect(of(removeState(of(again), 'lamp-out')).states).toEqual(lamp.states)
  })

  it('a place gets wires only, and a bundle without places goes', () => {
    const added = addPlace(lamp, ['W1', 'L1', 'W2'])
    expect(added.place).toBe('H1a')
    expect(of(added).bundles[0]!.places[0]!.conductors.map((c) => c.part)).toEqual(['W1', 'W2'])
    const second = addPlace(of(added), ['W3'], of(added).bundles[0]!.id)
    expect(second.place).toBe('H1b')
    const turned = of(setConductor(of(second), 'H1b', 'W3', { against: true }))
    expect(turned.bundles[0]!.places[1]!.conductors[0]).toMatchObject({ against: true })
    const left = of(removePlace(of(setConductor(turned, 'H1b', 'W3', null)), 'H1a'))
    expect(left.bundles).toEqual([])
    expect(addPlace(lamp, ['L1']).ok).toBe(false)
  })
})

describe.each(demoNames)('on %s', (name) => {
  const circuit = demoCircuit(name)

  it('taking out any part leaves no half-connection behind, and undo brings back exactly what was there', () => {
    for (const { id } of circuit.parts) {
      const built = removeParts(circuit, [id])
      if (!built.ok) continue
      const edit = arrangement(built.circuit, `${id} out`)
      const edited = applyEdit(circuit, edit)
      if (!edited.ok) throw new Error(`${id}: ${edited.problem.where} ${tell(edited.problem)}`)
      expect(JSON.stringify(edited.circuit)).not.toContain(`"${id}"`)
      expect(JSON.stringify(edited.circuit)).not.toContain(`"${id}.`)
      const undone = applyEdit(edited.circuit, edited.inverse)
      expect(undone.ok && undone.circuit).toEqual(circuit)
    }
  })
})

describe('any row of changes', () => {
  const change = fc.record({
    what: fc.nat(7),
    a: fc.nat(40),
    b: fc.nat(40),
    kind: fc.constantFrom(...partKinds.slice(1)),
  })

  it('leaves a circuit that reads, with names that differ, and never throws', () => {
    fc.assert(
      fc.property(fc.constantFrom(...demoNames), fc.array(change, { maxLength: 12 }), (name, changes) => {
        let now = demoCircuit(name)
        for (const { what, a, b, kind } of changes) {
          const path = now.paths[a % now.paths.length]!
          const other = now.paths[b % now.paths.length]!
          const part = now.parts[b % now.parts.length]!.id
          const built: Built = [
            () => insertItems(now, path.id, b % (path.steps.length + 1), [{ new: { kind } }]),
            () => removeParts(now, [part]),
            () =>
              moveStep(
                now,
                { path: path.id, index: b % Math.max(1, path.steps.length) },
                { path: other.id, index: a % (other.steps.length + 1) },
              ),
            () => replacePart(now, part, { kind }),
            () => insertItems(now, path.id, b % (path.steps.length + 1), [{ new: { kind: 'splice' } }]),
            () =>
              addPath(now, {
                from: refOf(part, splitRef(now.paths[0]!.from)[1]),
                to: commonReturn(now),
                items: [{ new: { kind } }],
              }),
            () => removePath(now, path.id),
            () => insertItems(now, path.id, 0, copySteps(now, other.id, 0, 2)),
          ][what]!()
          if (!built.ok) continue
          const edited = applyEdit(now, arrangement(built.circuit, 'change'))
          // A terminal that does not exist is refused at the door, and nothing is changed.
          if (!edited.ok) expect(what).toBe(5)
          else now = edited.circuit
        }
        expect(new Set(now.parts.map((p) => p.id)).size).toBe(now.parts.length)
        expect(nextId(now.parts, 'wire')).toMatch(/^W\d+$/)
      }),
      drawn(120, 2026),
    )
  })
})
