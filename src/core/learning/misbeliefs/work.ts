import {
  Judging,
  defaultRubric,
  endsOf,
  type Prepared,
  type Technique,
  type TestContext,
} from '../../assessment'
import type { Order, Step, StepOf } from '../../attempt'
import type { Predictor } from '../../diagnosis'
import { piecesStruck } from '../../faults'
import { instrumentOf, numberOf } from '../../instruments'
import { findPieces, type Piece } from '../../model'

/** One test of an attempt, with what a good circuit would have shown and what was said beforehand. */
export interface Reading {
  readonly index: number
  readonly step: StepOf<'test'>
  readonly context: TestContext
  /** Keys of technique rules that it breaks; and that it would break if everything had been struck out by it. */
  readonly breaks: ReadonlySet<string>
  readonly tempts: ReadonlySet<string>
  /** What a good circuit shows, in the instrument's unit, Infinity for OL; undefined where it has no answer. */
  readonly good: number | undefined
  /** What was predicted of it; Infinity for OL; undefined for what is told in a word. */
  readonly predicted: number | undefined
}

/** A conclusion, or a new part that went in: what somebody blamed. */
export interface Blame {
  readonly index: number
  readonly step: StepOf<'conclude' | 'repair'>
  readonly piece: Piece
  /** It is one of those that are planted. */
  readonly guilty: boolean
}

/** An attempt as wrong ideas are looked for in it. */
export interface Work {
  readonly order: Order
  readonly predictor: Predictor
  readonly steps: readonly Step[]
  readonly readings: readonly Reading[]
  readonly blames: readonly Blame[]
  /** Volts between the battery's posts of a good circuit, in the state of a test. */
  readonly source: (reading: Reading) => number
}

/** Reads an attempt once for all wrong ideas. */
export function workOf(
  predictor: Predictor,
  order: Order,
  steps: readonly Step[],
  prepared?: Prepared,
): Work {
  const judging = new Judging(predictor, order, defaultRubric, prepared).follow(steps)
  const readings = judging.techniques().map((one) => readingOf(one, steps))
  const guilty = new Set(piecesStruck(order.circuit, order.planted))
  const blames = steps.flatMap((step, index): Blame[] => {
    if (step.type !== 'conclude' && step.type !== 'repair') return []
    const [piece] = findPieces(order.circuit, step.piece)
    return piece ? [{ index, step, piece, guilty: guilty.has(piece.id) }] : []
  })
  return { order, predictor, steps, readings, blames, source: sourceOf(predictor) }
}

function readingOf(technique: Technique, steps: readonly Step[]): Reading {
  const { context, step: index } = technique
  const { step, setup, predictor } = context
  const instrument = instrumentOf(step.instrument)
  const board = predictor.board(undefined, setup.state)
  const read =
    board &&
    instrument.read({ solved: board, place: setup.place, settings: setup.settings, meter: predictor.meter })
  const { prediction } = step
  return {
    index,
    step,
    context,
    breaks: new Set(technique.broken(steps).map(({ key }) => key)),
    tempts: new Set(technique.tempts(steps).map(({ key }) => key)),
    good: read && numberOf(instrument, read),
    predicted:
      prediction.type === 'value' ? prediction.value : prediction.type === 'OL' ? Infinity : undefined,
  }
}

const sourceOf =
  (predictor: Predictor) =>
  ({ context: { setup } }: Reading): number => {
    const board = predictor.board(undefined, setup.state)
    if (!board) return 0
    const source = board.board.model.parts.find(({ definition }) => definition.role === 'source')
    if (!source) return 0
    const [pos, neg] = (['pos', 'neg'] as const).map((key) => predictor.wiring.nodeOf(source.part.id, key))
    return board.volts(pos!, neg!) ?? 0
  }

/** The two nodes of a reading of volts; undefined for anything else. */
export const voltsBetween = ({ context }: Reading): readonly [number, number] | undefined =>
  context.setup.instrument === 'volts' && context.setup.settings.jack !== 'amps' ? endsOf(context) : undefined
