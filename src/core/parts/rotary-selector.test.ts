import { describe, expect, it } from 'vitest'
import { demoBoard } from '../../../test/demo'
import { noticeAll } from '../board'
import { instrumentOf, locate, settingsOf, workshopMeter, type Held } from '../instruments'
import type { Fault } from '../faults'

const name = 'sweeper-lamp-selector'
const lit = (state: string, faults: readonly Fault[] = []) =>
  noticeAll(demoBoard(name, state, faults)).flatMap(({ part, key }) =>
    part.startsWith('L') && key !== 'dark' ? [`${part} ${key}`] : [],
  )
function read(key: 'volts' | 'clamp', held: Held, state: string, faults: readonly Fault[] = []): number {
  const solved = demoBoard(name, state, faults)
  const found = locate(solved.board.circuit, solved.board.wiring, held)
  if (!found.ok) throw new Error('nowhere')
  const instrument = instrumentOf(key)
  return instrument.read({
    solved,
    place: found.place,
    settings: settingsOf(instrument),
    meter: workshopMeter,
  }).value!
}

describe('a rotary selector', () => {
  it('feeds one output at a time, and none when it is off', () => {
    expect(lit('left')).toEqual(['L1 bright'])
    expect(lit('right')).toEqual(['L2 bright'])
    expect(lit('rear')).toEqual(['L3 bright'])
    expect(lit('off')).toEqual([])
  })

  it('has contacts that fail one by one: one lamp is dark, the others are as they were', () => {
    const dead: Fault = { kind: 'stuckOpen', part: 'SR1', segment: 'to2' }
    expect(lit('right', [dead])).toEqual([])
    expect(lit('left', [dead])).toEqual(['L1 bright'])
    expect(read('volts', { type: 'leads', red: 'SR1in', black: 'SR12' }, 'right', [dead])).toBeGreaterThan(12)
  })

  it('loses over burnt contacts what Ohm says, seen by lead and by clamp', () => {
    const burnt: Fault = { kind: 'highResistance', part: 'SR1', segment: 'to1', severity: 1 }
    const amps = read('clamp', { type: 'jaws', round: ['W3'] }, 'left', [burnt])
    const lost = read('volts', { type: 'leads', red: 'SR1in', black: 'SR11' }, 'left', [burnt])
    // Its own eight milliohms stand before the fault's ohm; the clamp shows hundredths.
    expect(lost / Math.abs(amps)).toBeCloseTo(1.008, 1)
    expect(read('clamp', { type: 'jaws', round: ['W5'] }, 'left', [burnt])).toBeCloseTo(0, 2)
  })
})
