import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { solveBoard } from '../board'
import { readCircuit } from '../editing'
import { type Circuit } from '../circuit'
import { copperOhms, parts } from '../parts'
import type { FaultKind } from './catalogue'
import { demoBoard } from '../../../test/demo'
import { catalogue, faultOfKind, type Fault } from '.'

/*
 * Faults on boards so plain that Ohm's and Kirchhoff's laws give their volts by hand: a supply, a switch, wires and
 * resistors. What is written here is worked out from the circuit as drawn, never from what a fault does to a network.
 */

const ohms = { supply: 0.5, near: 4, far: 6, second: 8 }
const wires = { length: 20, section: 0.5 }
const volts = 12
const clamp = 0.01

/** Supply – wire – switch – near resistor – far resistor – frame; a second branch of one resistor behind the wire. */
function plain(): Circuit {
  const read = readCircuit({
    format: 'brachyon-circuit',
    version: 2,
    name: 'plain',
    temperature: 20,
    parts: [
      { id: 'BS1', kind: 'benchSupply', parameters: { volts, ohms: ohms.supply, clampOhms: clamp } },
      { id: 'W1', kind: 'wire', parameters: wires },
      { id: 'S1', kind: 'switch', parameters: { contactOhms: 0.01 } },
      { id: 'R1', kind: 'resistor', parameters: { ohms: ohms.near, ratedPower: 100 } },
      { id: 'W2', kind: 'wire', parameters: wires },
      { id: 'E1', kind: 'heater', parameters: { ratedVoltage: 12, ratedPower: 144 / ohms.far } },
      { id: 'R2', kind: 'resistor', parameters: { ohms: ohms.second, ratedPower: 100 } },
    ],
    paths: [
      {
        id: 'main',
        from: 'BS1.p',
        to: 'BS1.n',
        steps: ['W1', 'S1', 'R1', 'W2', 'E1'].map((part) => ({ part })),
      },
      { id: 'second', from: 'W1.b', to: 'BS1.n', steps: [{ part: 'R2' }] },
    ],
    states: [
      { id: 'on', name: 'on', controls: { S1: 'closed' } },
      { id: 'off', name: 'off', controls: { S1: 'open' } },
    ],
  })
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return read.value
}

const circuit = plain()
const wire = copperOhms(wires.length, wires.section, 20)
const par = (...all: number[]) => 1 / all.reduce((sum, r) => sum + 1 / r, 0)

function measure(fault: Fault | undefined, red: string, state = 'on', black = 'BS1−'): number {
  const solved = solveBoard(
    circuit,
    fault ? [fault] : [],
    circuit.states.find((s) => s.id === state)!,
  )
  if (!solved.ok) throw new Error(tell(solved.why))
  const at = (name: string) => solved.board.wiring.find(name)!.node
  return solved.volts(at(red), at(black))!
}

/** The switch's own contact is the one value that the board does not say: it is measured, not assumed. */
const contact = (() => {
  const drop = measure(undefined, 'S1a') - measure(undefined, 'S1b')
  const amps = (measure(undefined, 'R1a') - measure(undefined, 'R1b')) / ohms.near
  return drop / amps
})()

/** Volts at the end of the first wire, and across the heater, when the main branch has `branch` ohms up to `load`. */
function divided(branch: number, load: number, lead = wire) {
  const all = par(branch + load, ohms.second)
  const node = (volts * all) / (ohms.supply + 2 * clamp + lead + all)
  return { node, load: (node * load) / (branch + load) }
}
const chain = contact + ohms.near + wire

describe('faults against Ohm’s law by hand', () => {
  // Minus lies one clamp over the reference: volts of a part are taken over it.
  const overReturn = (fault: Fault | undefined, point: string, state = 'on') =>
    measure(fault, point, state, 'BS1n')

  it('the sound board', () => {
    const { node, load } = divided(chain, ohms.far)
    expect(overReturn(undefined, 'W1b')).toBeCloseTo(node, 6)
    expect(overReturn(undefined, 'E1a')).toBeCloseTo(load, 6)
  })

  it.each([0.05, 1, 30, 5000])('%d Ω in series with a wire', (extra) => {
    const fault: Fault = { kind: 'highResistance', part: 'W2', segment: 'copper', severity: extra }
    const { node, load } = divided(chain + extra, ohms.far)
    expect(overReturn(fault, 'W1b')).toBeCloseTo(node, 6)
    expect(overReturn(fault, 'E1a')).toBeCloseTo(load, 6)
  })

  it('an open leaves the whole node before it and nothing behind it', () => {
    const fault: Fault = { kind: 'open', part: 'W2', segment: 'copper' }
    const node = (volts * ohms.second) / (ohms.supply + 2 * clamp + wire + ohms.second)
    expect(overReturn(fault, 'W2a')).toBeCloseTo(node, 6)
    expect(Math.abs(overReturn(fault, 'W2b'))).toBeLessThan(1e-6)
  })

  it.each([0.5, 10, 300])('a short to supply of %d Ω half-way feeds the load past its switch', (short) => {
    const fault: Fault = { kind: 'shortToSupply', part: 'W2', segment: 'copper', severity: short }
    // With the switch open: from the post through the short, half the wire, and the heater; R2 hangs on the other branch.
    const main = short + wire / 2 + ohms.far + clamp
    const other = clamp + wire + ohms.second
    const post = (volts * par(main - clamp, other)) / (ohms.supply + clamp + par(main - clamp, other))
    expect(overReturn(fault, 'E1a', 'off')).toBeCloseTo((post * ohms.far) / (main - clamp), 5)
  })

  it.each([1, 100, 1e5])('contacts that leak through %d Ω', (leak) => {
    const fault: Fault = { kind: 'leaky', part: 'S1', segment: 'contacts', severity: leak }
    const segment = parts
      .find((p) => p.kind === 'switch')!
      .segments.find((s) => s.faults.includes('leaky'))!.key
    const { load } = divided(leak + ohms.near + wire, ohms.far)
    expect(overReturn({ ...fault, segment }, 'E1a', 'off')).toBeCloseTo(load, 6)
  })

  it.each([10, 50, 90])('a heater with %d %% of its resistance left', (share) => {
    const segment = parts.find((p) => p.kind === 'heater')!.segments[0]!.key
    const fault: Fault = { kind: 'shortedTurns', part: 'E1', segment, severity: share }
    expect(overReturn(fault, 'E1a')).toBeCloseTo(divided(chain, (ohms.far * share) / 100).load, 6)
  })

  it('a reading is linear in the source: half the volts, half of everything', () => {
    const half: Circuit = {
      ...circuit,
      parts: circuit.parts.map((p) =>
        p.id === 'BS1' ? { ...p, parameters: { ...p.parameters, volts: volts / 2 } } : p,
      ),
    }
    const [one, other] = [circuit, half].map((c) => {
      const solved = solveBoard(c, [], c.states[0]!)
      if (!solved.ok) throw new Error(tell(solved.why))
      return solved.point.voltage
    })
    one!.forEach((v, node) => expect(other![node]).toBeCloseTo(v / 2, 9))
  })
})

describe('a fault that is made worse', () => {
  /** Of faults in the lamp's way: volts at the lamp, which only sink as it gets worse, be that more or less of it. */
  const series: readonly (readonly [FaultKind, string, string, 1 | -1])[] = [
    ['highResistance', 'G1', 'eyelet', 1],
    ['corroded', 'X2', 'pin', -1],
    ['strandsLost', 'W4', 'copper', 1],
    ['slack', 'G1', 'eyelet', 1],
    ['burnt', 'S1', 'contacts', 1],
  ]
  const lampVolts = (fault: Fault) => {
    const moved = { controls: { S1: 'closed' }, wiggled: [fault.part] }
    const solved = demoBoard('sweeper-work-lamp', moved, [fault])
    const at = (name: string) => solved.board.wiring.find(name)!.node
    return solved.volts(at('L1a'), at('L1b'))!
  }

  it.each(series)('%s takes ever more from the lamp', (kind, part, segment, way) => {
    const { severity } = faultOfKind(kind)
    const size = Math.log(severity!.most / severity!.least)
    const row = Array.from({ length: 24 }, (_, i) =>
      lampVolts({ kind, part, segment, severity: severity!.least * Math.exp((size * i) / 23) }),
    )
    if (way < 0) row.reverse()
    for (const [i, now] of row.slice(1).entries()) expect(now).toBeLessThanOrEqual(row[i]! + 1e-9)
    expect(row[0]! - row.at(-1)!).toBeGreaterThan(0.01)
  })

  it('has a preset and a grid inside its range, the grid rising', () => {
    for (const { kind, severity } of catalogue) {
      if (!severity) continue
      const { least, most, preset, grid } = severity
      expect(least, kind).toBeLessThan(most)
      for (const value of [preset, ...grid]) {
        expect(value, kind).toBeGreaterThanOrEqual(least)
        expect(value, kind).toBeLessThanOrEqual(most)
      }
      for (const [i, value] of grid.slice(1).entries()) expect(value, kind).toBeGreaterThan(grid[i]!)
    }
  })
})
