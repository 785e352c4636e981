import { describe, expect, it } from 'vitest'
import { Attempt, seenOn } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import type { Arrangement, Connection } from '../attempt'
import { Predictor } from '../diagnosis'
import type { Fault } from '../faults'
import type { InstrumentKey, Settings } from '../instruments'
import { followBlindly, practiceVerdicts } from './practice'
import { defaultRubric } from './rubric'
import { orderOf } from './decisions'

const badPlug: Fault = { kind: 'highResistance', part: 'X1', segment: 'pin', severity: 1 }
const lamp = demoCircuit('sweeper-work-lamp')
const on: Arrangement = { controls: { S1: 'closed' }, detached: [] }
const predictor = new Predictor(lamp)

interface Read {
  readonly held: Connection['held']
  readonly instrument?: InstrumentKey
  readonly settings?: Settings
  readonly arrangement?: Arrangement
}
const leads = (red: string, black = 'B1-') => ({ type: 'leads', red, black }) as const

/** What is decided at each reading, by its code; while the work goes on nobody looks at what is planted. */
function decided(
  reads: readonly Read[],
  planted: Fault[] = [badPlug],
  circuit = lamp,
  at = on,
  boards = predictor,
) {
  const attempt = new Attempt(circuit, planted, at, { mode: 'practice' }).operate()
  for (const { held, ...options } of reads) attempt.measure(held, 12, options)
  const blindly = followBlindly(boards, attempt.order, defaultRubric).follow(attempt.steps)
  const codes = practiceVerdicts(blindly).filter(({ verdict }) => verdict.code === 'assessment.decides')
  return codes.map(({ reason }) => reason.code.replace('assessment.', ''))
}

describe('a lead that is carried along the way', () => {
  it('is told whether anything is lost between two points', () => {
    expect(decided([{ held: leads('X1a') }, { held: leads('X1b') }])).toEqual(['lostBetween'])
    expect(decided([{ held: leads('X1b') }, { held: leads('L1a') }])).toEqual(['sameBothSides'])
    expect(decided([{ held: leads('S1b') }, { held: leads('X1a') }])).toEqual(['sameBothSides'])
  })

  it('is told nothing across a load, in another state, or of a point that lies on no common way', () => {
    expect(decided([{ held: leads('L1a') }, { held: leads('L1b') }])).toEqual([])
    const off = { controls: { S1: 'open' }, detached: [] }
    expect(decided([{ held: leads('X1a') }, { held: leads('X1b'), arrangement: off }])).toEqual([])
  })
})

describe('one side beside the other', () => {
  const rear = demoCircuit('sweeper-lamp-selector')
  /** The state in which a lamp is bright. */
  const lit = (id: string): Arrangement => {
    const found = rear.states.find(
      ({ controls, detached }) => seenOn(rear, [], { controls, detached })[id] === 'bright',
    )!
    return { controls: found.controls, detached: found.detached }
  }
  const boards = new Predictor(rear)
  const beside = (planted: Fault[]) =>
    decided(
      [
        { held: leads('L1a', 'L1b'), arrangement: lit('L1') },
        { held: leads('L2a', 'L2b'), arrangement: lit('L2') },
      ],
      planted,
      rear,
      lit('L1'),
      boards,
    )

  it('differs only where the difference is more than both tolerances and the meter’s', () => {
    expect(beside([])).toEqual(['sameBeside'])
    const [wire] = rear.paths
      .flatMap(({ steps }) => steps.map(({ part }) => part))
      .filter((id) => {
        const fault: Fault = { kind: 'highResistance', part: id, segment: 'copper', severity: 3 }
        return id.startsWith('W') && beside([fault])[0] === 'differsBeside'
      })
    expect(wire).toBeDefined()
  })
})

describe('a load of the bag', () => {
  const out = { controls: { S1: 'closed' }, detached: ['L1'] }
  const loads = (instrument: InstrumentKey, settings: Settings = {}) =>
    decided(
      [{ held: leads('L1a'), instrument, settings, arrangement: out }].map((read) => read),
      [badPlug],
    )

  it('counts as proof where it draws near enough to what the circuit’s own does', () => {
    expect(loads('loadLamp')).toEqual(['loadEnough'])
    expect(loads('loadedProbe', { size: '5' })).toEqual(['loadEnough'])
    expect(loads('loadedProbe', { size: '1' })).toEqual(['loadTooSmall'])
  })
})

describe('from the piece to what is ordered', () => {
  it('names the unit where a piece is sold only with it', () => {
    expect(orderOf(demoCircuit('van-starting'), 'MS1.motor')?.code).toBe('assessment.orderUnit')
    expect(orderOf(lamp, 'W4')).toBeUndefined()
    expect(orderOf(lamp, 'L1.socket')).toBeUndefined()
  })
})
