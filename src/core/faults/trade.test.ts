import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { noticeAll, solveBoard, type SolvedBoard } from '../board'
import type { CircuitState } from '../circuit'
import { readContinuity, readOhms, workshopMeter } from '../instruments'
import { demoBoard, demoCircuit, stateOf } from '../../../test/demo'
import type { Fault } from './fault'
import { describeFault } from './plant'
import { readFaultSpec } from './spec'

const board = demoBoard
const at = (solved: SolvedBoard, name: string) => solved.board.wiring.find(name)!.node
const drop = (solved: SolvedBoard, a: string, b: string) => solved.volts(at(solved, a), at(solved, b))!
const seen = (solved: SolvedBoard) => Object.fromEntries(noticeAll(solved).map((n) => [n.part, n.key]))

describe('a conductor cut down to a few strands (common practice, no source)', () => {
  const cut = (severity: number): Fault => ({ kind: 'strandsLost', part: 'W4', segment: 'copper', severity })

  it('shows full volts at both ends unloaded, and beeps', () => {
    const open = board('sweeper-work-lamp', 'on-unplugged', [cut(67)])
    expect(drop(open, 'L1a', 'B1-')).toBeGreaterThan(12.5)
    const dead = board('sweeper-work-lamp', 'strap-off', [cut(93.3)])
    const read = readContinuity(dead, at(dead, 'X1b'), at(dead, 'L1a'), workshopMeter)
    expect(read.beeps).toBe(true)
  })

  it('loses 0.07 V behind a third of its strands and nearly 2 V at two of thirty, under a 55 W lamp', () => {
    const sound = drop(board('sweeper-work-lamp', 'on', []), 'X1b', 'L1a')
    const lost = (severity: number) =>
      drop(board('sweeper-work-lamp', 'on', [cut(severity)]), 'X1b', 'L1a') - sound
    // 12.29 and 12.22 V, 12.23 and 10.3 V before and behind (common practice, no source).
    expect(lost(100 * (20 / 30))).toBeCloseTo(0.07, 1)
    expect(lost(100 * (28 / 30))).toBeGreaterThan(1.6)
    expect(lost(100 * (28 / 30))).toBeLessThan(2.1)
    expect(seen(board('sweeper-work-lamp', 'on', [cut(67)])).L1).toBe('bright')
  })
})

describe('a corroded joint with ohms of its own (common practice, no source)', () => {
  const joint: Fault = { kind: 'corroded', part: 'W4', segment: 'copper', severity: 2, cold: 2.2 }

  // 0.2 Ω are the meter's own leads.
  it('reads them on an ohmmeter, and fails the lamp', () => {
    const dead = board('sweeper-work-lamp', 'strap-off', [joint])
    expect(readOhms(dead, at(dead, 'X1b'), at(dead, 'L1a'), workshopMeter).value).toBeCloseTo(2.4, 6)
    const on = board('sweeper-work-lamp', 'on', [joint])
    expect(drop(on, 'X1b', 'L1a')).toBeGreaterThan(6)
    expect(seen(on).L1).not.toBe('bright')
  })

  it('is written beside its severity, within what a joint may have', () => {
    const circuit = demoCircuit('sweeper-work-lamp')
    const read = readFaultSpec(circuit, 'W4=corroded:2/2R2')
    expect(read.ok && tell(describeFault(circuit, read.fault))).toContain('2.20\u00a0Ω at a milliamp')
    for (const spec of ['W4=corroded:2/80', 'W4=highResistance:2/2', 'W4=corroded:2/x'])
      expect(readFaultSpec(circuit, spec).ok, spec).toBe(false)
  })
})

describe('what is fitted in its place', () => {
  it('a smaller fuse goes where the right one holds', () => {
    const wrong = (severity: number): Fault => ({ kind: 'wrongFuse', part: 'F1', segment: 'link', severity })
    expect([...board('sweeper-work-lamp', 'on', [wrong(3)]).blown]).toEqual(['F1'])
    expect([...board('sweeper-work-lamp', 'on', [wrong(5)]).blown]).toEqual([])
  })

  it('no fuse at all is open, and reads the whole source across its holder', () => {
    const missing = board('sweeper-work-lamp', 'on', [{ kind: 'missingFuse', part: 'F1', segment: 'link' }])
    expect(seen(missing).L1).toBe('dark')
    expect(drop(missing, 'F1ta', 'F1tb')).toBeGreaterThan(12)
  })

  it('a lamp of other watts draws its own current', () => {
    const fitted = board('sweeper-work-lamp', 'on', [
      { kind: 'wrongBulb', part: 'L1', segment: 'filament', severity: 21 },
    ])
    expect(fitted.amps('L1', 'filament')).toBeCloseTo((21 / 12) * (12.4 / 12) ** 0.55, 1)
  })
})

describe('what touches what', () => {
  it('a drain draws what it says from a rested battery', () => {
    const drain = board('sweeper-work-lamp', 'off', [
      { kind: 'drain', part: 'F1', segment: 'clipOut', severity: 0.5 },
    ])
    expect(drain.amps('W1', 'copper')).toBeCloseTo(0.5, 2)
  })

  it('pins that are swapped feed each other’s wires', () => {
    const swapped: Fault = { kind: 'swapped', part: 'X1', segment: 'pin', other: 'X2.pin' }
    const rear = board('van-rear-lamps', { controls: { S1: 'closed' } }, [swapped])
    // The tail switch now lights the strong filament.
    expect(seen(rear).LT1).toMatch(/^bright-dark|^dim-dark/)
  })

  it('a short that sits near one end shares its drop there', () => {
    const near = (share: number) => {
      const fault: Fault = { kind: 'shortToGround', part: 'W3', segment: 'copper', severity: 5, at: share }
      return drop(board('sweeper-work-lamp', 'on', [fault]), 'S1b', 'X1a')
    }
    expect(near(0.95)).toBeGreaterThan(near(0.05))
  })

  it('two faults at once add up: both sides lose', () => {
    const feed: Fault = { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 0.4 }
    const back: Fault = { kind: 'highResistance', part: 'G1', segment: 'foot', severity: 0.4 }
    const both = board('sweeper-work-lamp', 'on', [feed, back])
    expect(drop(both, 'X1a', 'X1b')).toBeGreaterThan(1)
    expect(drop(both, 'G1n', 'G1c')).toBeGreaterThan(1)
    expect(seen(both).L1).toBe('dim')
  })

  it('contacts that stick stay in when the coil lets go, once they have been pulled', () => {
    const fan = demoCircuit('van-cooling-fan')
    const stuck: Fault = { kind: 'sticking', part: 'K1', segment: 'make' }
    const states: CircuitState[] = [stateOf(fan, 'on'), { ...stateOf(fan, 'off'), id: 'then', after: 'on' }]
    const solved = solveBoard({ ...fan, states }, [stuck], states[1]!)
    if (!solved.ok) throw new Error(tell(solved.why))
    expect(seen(solved).M1).toBe('turns')
    const fresh = solveBoard({ ...fan, states }, [stuck], { ...states[1]!, after: undefined })
    expect(fresh.ok && seen(fresh).M1).toBe('still')
  })
})
