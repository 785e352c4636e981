import { firstBelief, judgeAttempt } from '../src/core/assessment'
import {
  advance,
  defaultFrame,
  perform,
  startBench,
  type Action,
  type Arrangement,
  type BenchState,
  type Connection,
  type Order,
  type Step,
  type StepOf,
} from '../src/core/attempt'
import { locate, settingsOf, instrumentOf, type InstrumentKey, type Settings } from '../src/core/instruments'
import type { Circuit } from '../src/core/circuit'
import type { Predictor, TestSetup } from '../src/core/diagnosis'
import type { Fault } from '../src/core/faults'
import { tell } from '../src/core/words'

export interface TestOptions {
  readonly instrument?: InstrumentKey
  readonly settings?: Settings
  readonly arrangement?: Arrangement
  /** What stays connected meanwhile. */
  readonly also?: readonly Connection[]
}

/** An attempt in the making on a virtual bench, as a student would go through it. */
export class Attempt {
  readonly steps: Step[] = []
  /** What was asked for at each step. */
  readonly actions: Action[] = []
  readonly order: Order
  bench: BenchState

  constructor(
    circuit: Circuit,
    planted: readonly Fault[],
    private readonly usual: Arrangement,
    frame: Partial<Order['frame']> = {},
    spares: readonly Fault[] = [],
  ) {
    this.order = { circuit, planted, frame: { ...defaultFrame(), ...frame }, spares }
    this.bench = startBench(this.order)
  }

  act(action: Action): Step {
    const done = perform(
      this.order,
      this.bench,
      this.steps.map((s) => s.type),
      action,
    )
    if (!done.ok) throw new Error(tell(done.why))
    this.steps.push(done.step)
    this.actions.push(action)
    this.bench = advance(this.order, this.bench, done.step)
    return done.step
  }
  operate(arrangement = this.usual): this {
    this.act({ type: 'operate', arrangement })
    return this
  }
  /** Leads on two points, or anything held as said. */
  measure(
    held: Connection['held'],
    predicted: number | 'OL' | 'beep' | { readonly word: string },
    { instrument = 'volts', settings = {}, arrangement = this.usual, also = [] }: TestOptions = {},
  ): StepOf<'test'> {
    const step = this.act({
      type: 'test',
      arrangement,
      instrument,
      settings: settingsOf(instrumentOf(instrument), settings),
      held,
      also: [...also],
      prediction:
        typeof predicted === 'number'
          ? { type: 'value', value: predicted }
          : typeof predicted === 'string'
            ? { type: predicted }
            : { type: 'word', ...predicted },
      source: 'model',
    })
    if (step.type !== 'test') throw new Error('no test')
    return step
  }
  test(
    red: string,
    black: string,
    predicted: number | 'OL' | 'beep',
    struck: string[],
    options: TestOptions = {},
  ): this {
    this.measure({ type: 'leads', red, black }, predicted, options)
    return this.infer(struck)
  }
  infer(struck: readonly string[], ringed: readonly string[] = []): this {
    this.act({ type: 'infer', struck: [...struck], ringed: [...ringed], note: '' })
    return this
  }
  /** @param sure how sure, per cent */
  conclude(piece: string, kind: Fault['kind'] = 'corroded', sure = 80): this {
    this.act({ type: 'conclude', piece, kind, sure, note: '' })
    return this
  }
  /** Judged, without looking for the shortest way through, which takes longest. */
  judged(predictor: Predictor) {
    const belief = firstBelief(predictor, this.order).kept()
    return judgeAttempt(predictor, this.order, this.steps, undefined, { belief, path: [] })
  }
}

/** What an operated bench shows, part by part. */
export function seenOn(circuit: Circuit, planted: readonly Fault[], arrangement: Arrangement) {
  const step = new Attempt(circuit, planted, arrangement).act({ type: 'operate', arrangement })
  if (step.type !== 'operate') throw new Error('nothing seen')
  return step.seen
}

/** Volts from one point to another, as the diagnosis asks for them. */
export function voltsSetup(
  { circuit, wiring }: Predictor,
  state: TestSetup['state'],
  red: string,
  black = 'B1-',
): TestSetup {
  const located = locate(circuit, wiring, { type: 'leads', red, black })
  if (!located.ok) throw new Error(tell(located.why))
  return { state, instrument: 'volts', settings: settingsOf(instrumentOf('volts')), place: located.place }
}
