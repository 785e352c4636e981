import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { solveBoard } from '../board'
import { faultOfKind, possibleFaults, type Fault } from '../faults'
import { strandsOf } from '../parts'
import { answerKey, stateKey } from '../readings'
import { demoCircuit, demoNames } from '../../../test/demo'
import { buildSheet, fitBoard, hardwareFor, noticesOf, sizeFault, type Measured } from '.'

/** One fault of each kind that has a size, somewhere on the circuit. */
function sizable(name: string): Fault[] {
  const seen = new Set<string>()
  return possibleFaults(demoCircuit(name)).filter((f) => {
    if (!faultOfKind(f.kind).severity || seen.has(f.kind)) return false
    seen.add(f.kind)
    return true
  })
}

describe.each(demoNames)('on %s', (name) => {
  const circuit = demoCircuit(name)

  it('a size that is found brings its effect about, and one that is not says why', () => {
    const notices = noticesOf(circuit)
    for (const fault of sizable(name).slice(0, 3)) {
      const state = circuit.states[0]!
      for (const { part, key } of notices.slice(0, 2)) {
        const sized = sizeFault(circuit, fault, state, { type: 'notice', part, key })
        if (!sized.ok) {
          expect(tell(sized.why)).toMatch(/No size|has no size/)
          continue
        }
        const range = faultOfKind(fault.kind).severity!
        expect(sized.severity).toBeGreaterThanOrEqual(range.least)
        expect(sized.severity).toBeLessThanOrEqual(range.most)
        const now = stateKey(circuit, [{ ...fault, severity: sized.severity }], state)
        if (!now.ok) throw new Error(tell(now.why))
        expect(now.notices.find((n) => n.part === part)!.key, `${fault.kind} ${fault.part}`).toBe(key)
      }
    }
  })

  it('a resistor that makes a fault sheds what the circuit puts into it, and never more than the source gives', () => {
    const joints = possibleFaults(circuit).filter((f) => f.kind === 'highResistance')
    for (const fault of joints.slice(0, 8)) {
      const { resistor } = hardwareFor(circuit, fault)
      if (!resistor) continue
      let most = 0
      for (const state of circuit.states) {
        const solved = solveBoard(circuit, [{ ...fault, severity: resistor.pair.total }], state)
        if (!solved.ok) continue
        const { board, point } = solved
        const given = board.elements.reduce(
          (sum, e, i) => (e.type === 'source' ? sum + Math.abs(e.volts * point.current[i]!) : sum),
          0,
        )
        most = Math.max(most, given)
      }
      expect(resistor.watts).toBeLessThanOrEqual(most + 1e-9)
      if (resistor.rating !== undefined) expect(resistor.rating).toBeGreaterThanOrEqual(resistor.watts)
    }
  })

  it('the build sheet has every part and conductor, and expects what the key expects', () => {
    const sheet = buildSheet(circuit, [])
    const listed = [...sheet.parts.flatMap((p) => p.ids), ...sheet.wires.map((w) => w.id)].sort()
    expect(listed).toEqual(circuit.parts.map((p) => p.id).sort())
    const key = answerKey(circuit, [])
    for (const row of sheet.commissioning) {
      const state = key.states.find((s) => s.state.id === row.state)!
      if (!state.ok) throw new Error(tell(state.why))
      expect(row.value).toBe(state.points.find((p) => p.name === row.point)!.value)
      expect(row.point).not.toBe(state.points.find((p) => p.node === 0)!.name)
    }
    for (const wire of sheet.wires)
      expect(Math.abs(wire.cut * 20 - Math.round(wire.cut * 20))).toBeLessThan(1e-6)
    expect(sheet.cautions.length).toBeGreaterThan(3)
  })

  it('a board that is as drawn is fitted by what is drawn', () => {
    const key = stateKey(circuit, [], circuit.states[0]!)
    if (!key.ok) throw new Error(tell(key.why))
    const reference = key.points.find((p) => p.node === 0)!.name
    const readings = key.points
      .filter((p) => !p.inside && p.node !== 0 && p.value !== undefined)
      .slice(0, 8)
      .map((p): Measured => ({ state: key.state.id, red: p.name, black: reference, volts: p.value! }))
    if (!readings.length) return
    const fitted = fitBoard(circuit, readings)
    if (!fitted.ok) throw new Error(tell(fitted.why))
    expect(fitted.rms[1]).toBeLessThanOrEqual(fitted.rms[0] + 1e-3)
    expect(fitted.residuals.some((r) => r.unexplained)).toBe(false)
    for (const change of fitted.changes) expect(change.spreads, change.part + change.name).toBeLessThan(1)
  })
})

it('a wire that loses strands says how many to cut, and keeps one', () => {
  const lamp = demoCircuit()
  const lost = (severity: number) =>
    hardwareFor(lamp, { kind: 'strandsLost', part: 'W5', segment: 'copper', severity }).strands
  expect(lost(50)).toEqual({ cut: 15, of: 30 })
  expect(lost(99.9)!.cut).toBe(29)
})

it('strands of a section are counted as wire is sold', () => {
  expect([0.5, 1, 2.5].map(strandsOf)).toEqual([16, 32, 50])
})
