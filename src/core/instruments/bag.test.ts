import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import {
  ampsByFuse,
  connectJumper,
  instrumentOf,
  locate,
  settingsOf,
  type Held,
  type InstrumentKey,
  type Settings,
  readAmps,
  readClamp,
  readTestLamp,
  readVoltsInAmpsJack,
  sharesOfVolts,
  withTestLamp,
  workshopMeter,
} from '.'
import { type SolvedBoard } from '../board'
import type { Fault } from '../faults'
import { fuseColdOhms } from '../parts'
import { stateKey } from '../readings'
import { demoBoard, demoCircuit } from '../../../test/demo'

const board = demoBoard
/** An instrument held by names, as a step has it. */
function use(solved: SolvedBoard, key: InstrumentKey, held: Held, said: Settings = {}) {
  const instrument = instrumentOf(key)
  const located = locate(solved.board.circuit, solved.board.wiring, held)
  if (!located.ok) throw new Error(tell(located.why))
  const settings = settingsOf(instrument, said)
  return instrument.read({ solved, place: located.place, settings, meter: workshopMeter })
}
const node = (solved: SolvedBoard, name: string) => solved.board.wiring.find(name)!.node
const leads = (solved: SolvedBoard, red: string, black: string) =>
  [node(solved, red), node(solved, black)] as const

describe('key-off drain, three ways of finding it', () => {
  const hidden: Fault = { kind: 'drain', part: 'X1', segment: 'pin', severity: 0.5 }
  const truth = () => board('van-key-off-drain', 'asleep', [hidden])

  it('clamp, series ammeter and fuse millivolts agree, each within its own error', () => {
    const solved = truth()
    const clamp = readClamp(solved, [{ part: 'W1', at: 0.5, against: false }])
    const lifted = board('van-key-off-drain', 'lifted', [hidden])
    const series = readAmps(lifted, ...leads(lifted, 'B1n', 'B1-'), workshopMeter)
    const key = stateKey(solved.board.circuit, [hidden], solved.board.state)
    if (!key.ok) throw new Error(tell(key.why))
    const fuses = key.fuses.reduce((sum, f) => sum + f.tableAmps, 0)
    const least = key.fuses.reduce((sum, f) => sum + f.least, 0)
    const most = key.fuses.reduce((sum, f) => sum + f.most, 0)
    expect(clamp).toBeCloseTo(0.5, 1)
    expect(series.value).toBeGreaterThan(0)
    // The burden slows it a little; the clamp has its 2 % and a digit, the fuses their spread.
    expect(Math.abs(series.value! - clamp)).toBeLessThan(0.02 * clamp + 0.01 + series.accuracy + 0.03 * clamp)
    expect(series.burden).toBeGreaterThan(0.01)
    expect(clamp).toBeGreaterThan(least)
    expect(clamp).toBeLessThan(most)
    expect(Math.abs(fuses - clamp)).toBeLessThan(0.25 * clamp)
  })

  it('shows the one fuse that carries it, and where: millivolts across the others stay at nothing', () => {
    const key = stateKey(demoCircuit('van-key-off-drain'), [hidden], truth().board.state)
    if (!key.ok) throw new Error(tell(key.why))
    const by = new Map(key.fuses.map((f) => [f.part, f.value!]))
    expect(by.get('F3')).toBeGreaterThan(0.003)
    expect(by.get('F1')).toBeLessThan(0.0002)
  })

  it('a clamp for AC only sees none of it, and one that is not zeroed sees more than there is', () => {
    const held: Held = { type: 'jaws', round: ['W1'] }
    expect(use(truth(), 'clampAC', held).value).toBe(0)
    const zeroed = use(truth(), 'clamp', held).value!
    const offset = use(truth(), 'clamp', held, { zero: 'not' }).value!
    expect(offset - zeroed).toBeCloseTo(0.08, 6)
  })
})

describe('a short in a harness', () => {
  // W3 is chafed half-way; its lamp is out and a 2 A lamp stands in place of its fuse.
  const chafed: Fault = { kind: 'shortToGround', part: 'W3', segment: 'copper', severity: 0.02 }
  it('a lamp in place of the fuse is bright; a clamp reads just under 2 A up to the short and nothing past it', () => {
    const solved = board('sweeper-side-harness', { controls: { S1: 'closed' }, detached: ['F1', 'L1'] }, [
      chafed,
    ])
    const lamp = readTestLamp(solved, ...leads(solved, 'F1a', 'F1b'), 2)
    expect(lamp.glow).toBe('bright')
    expect(lamp.amps).toBeGreaterThan(1.8)
    expect(lamp.amps).toBeLessThan(2.2)
    const hung = withTestLamp(solved, ...leads(solved, 'F1a', 'F1b'), 2)
    if (!hung.ok) throw new Error(tell(hung.why))
    const w3 = (at: number) => readClamp(hung, [{ part: 'W3', at, against: false }])
    expect(w3(0.2)).toBeCloseTo(lamp.amps, 1)
    expect(w3(0.8)).toBeCloseTo(0, 2)
    expect(readClamp(hung, [{ part: 'W2', at: 0.5, against: true }])).toBeCloseTo(-lamp.amps, 1)
  })

  it('adds the other wires’ currents where they run together', () => {
    const all = board('sweeper-side-harness', 'all')
    const places = all.board.circuit.bundles[0]!.places
    const alone = places[0]!.conductors.map((c) => readClamp(all, [c]))
    expect(readClamp(all, places[0]!.conductors)).toBeCloseTo(
      alone.reduce((sum, amps) => sum + amps, 0),
      1,
    )
    // The step light's wire ends before the last place.
    expect(readClamp(all, places[2]!.conductors)).toBeLessThan(readClamp(all, places[0]!.conductors))
  })

  it('between two circuits feeds the one from the other', () => {
    const between: Fault = {
      kind: 'shortBetween',
      part: 'W3',
      segment: 'copper',
      severity: 0.05,
      other: 'W6.copper',
    }
    const solved = board('sweeper-side-harness', { controls: { S1: 'closed' } }, [between])
    const marker = stateKey(solved.board.circuit, [between], solved.board.state)
    if (!marker.ok) throw new Error(tell(marker.why))
    expect(marker.notices.find((n) => n.part === 'L2')?.key).toBe('bright')
  })
})

describe('an ammeter', () => {
  it('across the battery blows its own fuse, whether amps or volts are dialled', () => {
    const solved = board('sweeper-work-lamp', 'off')
    const [red, black] = leads(solved, 'B1+', 'B1-')
    expect(readAmps(solved, red, black, workshopMeter).blew).toBe(true)
    const left = readVoltsInAmpsJack(solved, red, black, workshopMeter)
    expect(left.blew).toBe(true)
    expect(left.value).toBe(0)
  })

  it('shows nothing with the lead in the volts jack, and the lamp stays dark for it', () => {
    const solved = board('sweeper-work-lamp', { controls: { S1: 'closed' }, detached: ['F1'] })
    const [red, black] = leads(solved, 'F1a', 'F1b')
    expect(readAmps(solved, red, black, workshopMeter, 'V').value).toBe(0)
    expect(readAmps(solved, red, black, workshopMeter, 'A').value).toBeCloseTo(4.6, 1)
    // The milliamp jack's fuse cannot stand a lamp.
    expect(readAmps(solved, red, black, workshopMeter, 'mA').blew).toBe(true)
  })
})

describe('lamps and loads', () => {
  const corroded: Fault = { kind: 'corroded', part: 'X1', segment: 'pin', severity: 1.5 }

  it('a joint passes a milliamp and a quarter of an amp, and fails at amps', () => {
    const out = board('sweeper-work-lamp', 'on-unplugged', [corroded])
    const [red, black] = leads(out, 'X1b', 'B1-')
    expect(readTestLamp(out, red, black, 0.25).glow).toBe('bright')
    expect(readTestLamp(out, red, black, 5).glow).not.toBe('bright')
    expect(
      use(board('sweeper-work-lamp', 'strap-off', [corroded]), 'continuity', {
        type: 'leads',
        red: 'X1a',
        black: 'X1b',
      }).signs.map(tell),
    ).toContain('beeps')
  })

  it('a lamp from battery + lights through both windings of a starter, and a small one through a bad S terminal', () => {
    const off = board('van-starting', 's-off')
    expect(readTestLamp(board('van-starting', 'off'), ...leads(off, 'B1+', 'MS1.50'), 0.25).glow).toBe(
      'bright',
    )
    const bad: Fault = { kind: 'corroded', part: 'G8', segment: 'eyelet', severity: 3 }
    const open = board('van-starting', 's-off', [bad])
    const [red, black] = leads(open, 'G8c', 'B1-')
    expect(readTestLamp(open, red, black, 0.25).glow).toBe('bright')
    // A load lamp of 5 A shows what a milliamp and a quarter of an amp do not.
    expect(readTestLamp(open, red, black, 5).glow).not.toBe('bright')
  })

  it('a load that is itself weak hides a bad joint: a known load in its place shows it', () => {
    const weak: Fault = { kind: 'weak', part: 'M1', segment: 'armature', severity: 5 }
    const joint: Fault = { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 0.4 }
    const drop = (faults: Fault[]) => {
      const solved = board('van-cooling-fan', 'on', faults)
      return solved.point.voltage[node(solved, 'X1a')]! - solved.point.voltage[node(solved, 'X1b')]!
    }
    expect(drop([joint])).toBeGreaterThan(3)
    expect(drop([joint, weak])).toBeLessThan(0.4)
  })

  it('a fused jumper proves a feed by what changes, and blows on a short', () => {
    const solved = board('sweeper-work-lamp', 'on', [{ kind: 'open', part: 'X1', segment: 'pin' }])
    const proven = connectJumper(solved, ...leads(solved, 'X1a', 'X1b'), 10)
    expect(proven.changed.map((n) => `${n.part} ${n.key}`)).toEqual(['L1 bright'])
    expect(connectJumper(solved, ...leads(solved, 'B1+', 'B1-'), 10).blew).toBe(true)
  })

  it('a battery load test passes a sound one and fails a worn one that still rests at full volts', () => {
    const test = (faults: Fault[]) =>
      tell(use(board('van-starting', 'off', faults), 'batteryTester', { type: 'posts' }).signs[0]!)
    expect(test([])).toMatch(/passes$/)
    // Half the rating for fifteen seconds leaves a sound one between 10.2 and 10.8 V (common practice, no source).
    const { value } = use(board('van-starting', 'off', []), 'batteryTester', { type: 'posts' })
    expect(value).toBeGreaterThan(10.2)
    expect(value).toBeLessThan(10.8)
    expect(test([{ kind: 'sulphated', part: 'B1', segment: 'cells', severity: 3 }])).toMatch(/fails$/)
  })

  it('an LED probe shines where a heavy lamp cannot', () => {
    const solved = board('sweeper-work-lamp', 'on-unplugged', [
      { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 150 },
    ])
    const held = { type: 'leads', red: 'X1b', black: 'B1-' } as const
    expect(use(solved, 'ledProbe', held).word).toBe('bright')
    expect(use(solved, 'testLamp', held, { size: '1' }).word).toBe('dark')
  })
})

describe('millivolts across a fuse', () => {
  it('are amps by the table: 10 mV on 15 A is about 2.1 A (common practice, no source)', () => {
    const read = ampsByFuse('regular', 15, 0.01, workshopMeter)
    expect(read.tableAmps).toBeCloseTo(2.1, 1)
    expect(read.honest).toBe(true)
  })

  it('say so where the table does not hold: a warm fuse, or too few millivolts', () => {
    expect(ampsByFuse('regular', 15, 0.06, workshopMeter)).toMatchObject({ honest: false })
    expect(ampsByFuse('regular', 15, 0.06, workshopMeter).why!.code).toMatch(/Warm/)
    expect(ampsByFuse('maxi', 60, 0.0003, workshopMeter).why!.code).toMatch(/Coarse/)
  })

  it('taken for another rating are wrong by the ratio of their ohms', () => {
    const right = ampsByFuse('mini', 10, 0.005, workshopMeter).tableAmps
    const wrong = ampsByFuse('mini', 20, 0.005, workshopMeter).tableAmps
    expect(wrong / right).toBeCloseTo(fuseColdOhms(10, 'mini') / fuseColdOhms(20, 'mini'), 9)
  })
})

describe('where a reading comes from', () => {
  it('its shares add up to what is shown', () => {
    const solved = board('sweeper-work-lamp', 'on')
    const volts = sharesOfVolts(solved, ...leads(solved, 'X1a', 'X1b'), workshopMeter)
    expect(volts.truth! + volts.loading + volts.leads + volts.resolution).toBeCloseTo(volts.shown, 9)
  })
})
