import { describe, expect, it } from 'vitest'
import { type Arrangement, type Connection, type StepOf, complaintIn } from '../attempt'
import { aftermath } from '../board'
import { piecesOf } from '../model'
import { Predictor } from '../diagnosis'
import { readFaultSpec, type Fault } from '../faults'
import { instrumentOf, settingsOf, type InstrumentKey } from '../instruments'
import { Attempt, type TestOptions } from '../../../test/attempt'
import { demoCircuit } from '../../../test/demo'
import { tell } from '../words'

/** Work as an instructor would write it on the board (common practice, no source). */
class Technician {
  readonly attempt: Attempt
  private left: string[]

  constructor(
    readonly name: string,
    spec: string,
    readonly state: Arrangement,
  ) {
    const circuit = demoCircuit(name)
    const found = readFaultSpec(circuit, spec)
    if (!found.ok) throw new Error(tell(found.why))
    this.planted = [found.fault]
    const named = { id: 'x', name: 'x', ...state }
    const complaint = complaintIn(
      circuit,
      this.planted,
      named,
      aftermath(circuit, this.planted),
      aftermath(circuit, []),
    )
    expect(complaint.length, 'a complaint').toBeGreaterThan(0)
    this.attempt = new Attempt(circuit, this.planted, state, { complaint })
    this.left = piecesOf(circuit).map(({ id }) => id)
    this.attempt.operate()
  }
  readonly planted: Fault[]

  /** Measures, and says that the fault can only be in what is named; parts stand for all their pieces. */
  test(
    held: Connection['held'],
    predicted: Parameters<Attempt['measure']>[1],
    left: string,
    options: TestOptions = {},
  ): StepOf<'test'> {
    const step = this.attempt.measure(held, predicted, options)
    if (left) {
      const names = left.split(' ')
      this.left = this.left.filter((id) => names.some((n) => id === n || id.startsWith(`${n}.`)))
    }
    const struck = piecesOf(this.attempt.order.circuit)
      .map(({ id }) => id)
      .filter((id) => !this.left.includes(id))
    this.attempt.infer(struck)
    return step
  }
  volts(red: string, black: string, predicted: number, left = '', options: TestOptions = {}) {
    return this.test({ type: 'leads', red, black }, predicted, left, options)
  }
  /** Concludes, repairs, and repeats the test that failed and the complaint. */
  finish(
    piece: string,
    kind: Fault['kind'],
    by: 'replace' | 'remake' | 'insulate' | 'repin',
    proof: () => void,
  ) {
    this.attempt.conclude(piece, kind)
    this.attempt.act({ type: 'repair', piece, by })
    proof()
    this.attempt.operate(this.state)
    const judged = this.attempt.judged(new Predictor(this.attempt.order.circuit, undefined, this.planted))
    const lost = judged.judgements
      .filter(({ share }) => share !== undefined && share < 1)
      .map(
        (j) =>
          `${j.step} ${this.attempt.steps[j.step]!.type} ${j.aspect} ${j.share?.toFixed(2)} ${tell(j.verdict)}: ${tell(j.reason)}`,
      )
    return { total: judged.total, lost: lost.join('\n') }
  }
}

const on = (controls: Record<string, string>, detached: string[] = []): Arrangement => ({
  controls,
  detached,
})
const held = (instrument: InstrumentKey, where: Connection['held'], settings = {}): Connection => ({
  instrument,
  settings: settingsOf(instrumentOf(instrument), settings),
  held: where,
})

describe('a textbook attempt earns its marks', () => {
  const earned = ({ total, lost }: { total: number; lost: string }, least = 90) =>
    expect(total, lost).toBeGreaterThan(least)

  it('on a short: a lamp for the fuse, and the clamp along the harness', () => {
    const state = on({ S1: 'closed' })
    const t = new Technician('sweeper-side-harness', 'W4.copper=shortToGround:0.05', state)
    t.volts('B1+', 'B1-', 12.5)
    t.volts('F1ta', 'F1tb', 0.01, 'F1.fuse S1 W2 W3 SPL1 W4 X1 L1')
    const lamp = held('loadLamp', { type: 'inPlaceOf', part: 'F1' })
    const options = {
      instrument: 'clamp',
      also: [lamp],
      arrangement: on({ S1: 'closed' }, ['F1', 'L1']),
    } as const
    t.test({ type: 'jaws', round: ['W3'] }, 0, 'SPL1 W4 X1', options)
    t.test({ type: 'jaws', round: ['W5'] }, 0, '', options)
    earned(
      t.finish('W4', 'shortToGround', 'replace', () => {
        t.attempt.act({ type: 'renew', fuse: 'F1' })
        t.attempt.measure({ type: 'leads', red: 'F1ta', black: 'F1tb' }, 0.01)
      }),
    )
  })

  it('on relay contacts that are welded: the fan runs with the switch open, and stops when the relay is out', () => {
    const t = new Technician('van-cooling-fan', 'K1.make=welded', on({}))
    t.volts('B1+', 'B1-', 12.6)
    t.volts('K1.86', 'K1.85', 0, 'K1.contacts W2 W3 X1 M1 F1')
    t.volts('K1.87', 'B1-', 0, 'K1.contacts', { arrangement: on({}, ['K1']) })
    earned(
      t.finish('K1.contacts', 'welded', 'replace', () =>
        t.attempt.measure({ type: 'leads', red: 'K1.30', black: 'K1.87' }, 12.6),
      ),
    )
  })

  it('on a feed that touches supply: the lamp burns with the switch open, and with the plug before it apart', () => {
    const t = new Technician('sweeper-work-lamp', 'W4.copper=shortToSupply', on({ S1: 'open' }))
    t.volts('B1+', 'B1-', 12.6)
    t.volts('S1b', 'B1-', 0, 'S1 W2 W3 X1 W4')
    const apart = { arrangement: on({ S1: 'open' }, ['X1']) }
    t.volts('L1a', 'B1-', 0, 'W4', apart)
    earned(
      t.finish('W4', 'shortToSupply', 'replace', () =>
        t.attempt.measure({ type: 'leads', red: 'S1b', black: 'B1-' }, 0),
      ),
    )
  })

  it('on a module that does not see its switch: fed and grounded, and its input stays up', () => {
    const state = on({ SK1: 'run', S1: 'closed' })
    const t = new Technician('sweeper-module-powers', 'W7.copper=open', state)
    t.volts('B1+', 'B1-', 12.6)
    t.volts('L1a', 'L1b', 12, 'B1 W1 F1 W2 X1 N1 X2 W3 G1 CH1 ST1 SK1 W4 F2 W5 X3 X4 W6 G2 S1 W7 W8')
    t.volts('X1b', 'B1-', 12.5, 'N1 X2 W3 G1 X3 X4 W6 G2 S1 W7 W8 SK1 W4 F2 W5')
    t.volts('N1.i1', 'B1-', 0.05, 'S1 W7 G2')
    t.volts('S1a', 'B1-', 0.01, 'W7')
    earned(
      t.finish('W7', 'open', 'replace', () =>
        t.attempt.measure({ type: 'leads', red: 'N1.i1', black: 'B1-' }, 0.05),
      ),
    )
  })

  it('on a pump that seized and took its fuse along: the fuse, and why it went', () => {
    const state = on({ S1: 'closed', S2: 'open' })
    const t = new Technician('van-washer-pump', 'M1.armature=seized', state)
    t.volts('B1+', 'B1-', 12.6)
    t.volts('M1a', 'M1b', 12, 'B1 W1 F1 W2 S1 W3 M1')
    t.volts('F1ta', 'F1tb', 0.01, 'F1.fuse M1 W2 S1 W3')
    const lamp = held('loadLamp', { type: 'inPlaceOf', part: 'F1' })
    t.test({ type: 'jaws', round: ['W4'] }, 1.5, 'M1', {
      instrument: 'clamp',
      also: [lamp],
      arrangement: on({ S1: 'closed', S2: 'open' }, ['F1']),
    })
    earned(
      t.finish('M1', 'seized', 'replace', () => {
        t.attempt.act({ type: 'renew', fuse: 'F1' })
        t.attempt.measure({ type: 'leads', red: 'M1a', black: 'M1b' }, 12)
      }),
    )
  })

  it('on a drain: the clamp round the battery cable, the fuses one by one, and what hangs on the one that carries', () => {
    const t = new Technician('van-key-off-drain', 'S1.contacts=welded', on({}))
    t.test({ type: 'jaws', round: ['H1a'] }, 0.03, '', { instrument: 'clamp', settings: { zero: 'zeroed' } })
    t.test({ type: 'spots', part: 'F3' }, 0, 'W6 X1 S1 L1 W7', { instrument: 'fuseVolts' })
    t.test({ type: 'spots', part: 'F1' }, 0, '', { instrument: 'fuseVolts' })
    t.volts('X1b', 'S1b', 12.6, 'S1')
    earned(
      t.finish('S1', 'welded', 'replace', () =>
        t.test({ type: 'spots', part: 'F3' }, 0, '', { instrument: 'fuseVolts' }),
      ),
    )
  })
})
