import { tell } from '../words'
import { describe, expect, it } from 'vitest'
import { readContinuity, readOhms, readVolts, workshopMeter } from '.'
import { solveBoard } from '../board'
import type { Fault } from '../faults'
import { demoCircuit, stateOf } from '../../../test/demo'

const dials = { volts: readVolts, ohms: readOhms, continuity: readContinuity }

function read(
  dial: keyof typeof dials,
  red: string,
  black: string,
  state: string,
  faults: readonly Fault[] = [],
) {
  const circuit = demoCircuit()
  const solved = solveBoard(circuit, faults, stateOf(circuit, state))
  if (!solved.ok) throw new Error(tell(solved.why))
  const node = (name: string) => solved.board.wiring.find(name)!.node
  return dials[dial](solved, node(red), node(black), workshopMeter)
}
const plain = (text: string) => text.replace(/\u00a0/g, ' ')

describe('voltmeter', () => {
  it('shows red minus black: reversed leads only change the sign', () => {
    const right = read('volts', 'B1+', 'B1-', 'on')
    const wrong = read('volts', 'B1-', 'B1+', 'on')
    expect(wrong.value).toBe(-right.value!)
    expect(plain(right.text)).toBe('12.59 V')
    expect(plain(wrong.text)).toBe('\u221212.59 V')
  })

  it('goes down to tenths of a millivolt on its lowest range', () => {
    expect(plain(read('volts', 'X1a', 'X1b', 'on').text)).toMatch(/^1\d\.\d mV$/)
  })

  it('loads what it measures: behind 10 MΩ it shows half', () => {
    // A joint of 10 kΩ hardly matters to 10 MΩ, but it does by a thousandth.
    const fault: Fault = { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 10000 }
    const loaded = read('volts', 'X1b', 'B1-', 'on-unplugged', [fault]).value!
    expect(loaded).toBeCloseTo((12.6225 * 10e6) / (10e6 + 10000), 1)
    expect(loaded).toBeLessThan(12.62)
  })

  it('reads the source through the load across an open', () => {
    expect(
      read('volts', 'X2a', 'X2b', 'on', [{ kind: 'open', part: 'X2', segment: 'pin' }]).value,
    ).toBeCloseTo(12.62, 1)
  })
})

describe('ohmmeter', () => {
  it('adds its leads to what it measures, and reads them alone on one point', () => {
    expect(read('ohms', 'L1f', 'L1g', 'on-unplugged').value).toBeCloseTo(0.4, 9)
    expect(read('ohms', 'X1a', 'X1a', 'strap-off').value).toBeCloseTo(0.2, 9)
  })

  it('shows OL across an open, and the right ohms of a resistor on any range', () => {
    expect(read('ohms', 'X1a', 'X1b', 'off', [{ kind: 'open', part: 'X1', segment: 'pin' }]).text).toBe('OL')
    for (const [ohms, text] of [
      [47, '47.2 Ω'],
      [820, '0.820 kΩ'],
      [4700, '4.700 kΩ'],
      [9900, '9.90 kΩ'],
    ] as const) {
      const fault: Fault = { kind: 'highResistance', part: 'X1', segment: 'pin', severity: ohms }
      expect(plain(read('ohms', 'X1a', 'X1b', 'on-unplugged', [fault]).text)).toBe(text)
    }
  })

  it('knows when the circuit was live, where its number means nothing', () => {
    expect(read('ohms', 'L1a', 'L1b', 'on').live).toBe(true)
    expect(read('ohms', 'L1f', 'L1g', 'on-unplugged').live).toBe(false)
    expect(read('continuity', 'F1a', 'B1-', 'on').live).toBe(true)
  })
})

describe('continuity', () => {
  it('beeps below its threshold and is silent above', () => {
    const fault = (severity: number): Fault => ({
      kind: 'highResistance',
      part: 'X1',
      segment: 'pin',
      severity,
    })
    expect(read('continuity', 'X1a', 'X1b', 'strap-off', [fault(20)]).beeps).toBe(true)
    expect(read('continuity', 'X1a', 'X1b', 'strap-off', [fault(40)])).toMatchObject({
      beeps: false,
      value: 40.2,
    })
    expect(read('continuity', 'X1a', 'X1b', 'strap-off', [fault(5000)])).toMatchObject({
      beeps: false,
      text: 'OL',
    })
  })
})
