import { messageOf, say, verbatim, writeWords, type Message } from '../../core/document'
import type { JudgedAttempt } from '../../core/assessment'
import { advance, soundCircuit, startBench, type Step } from '../../core/attempt'
import { findPieces, piecesOf } from '../../core/model'
import { type Circuit } from '../../core/circuit'
import { describeFault, piecesStruck } from '../../core/faults'
import { evidenceOf } from '../../core/lab'
import type { Order } from '../orders/orders'

/** What lists and reports ask of a finished attempt. */
export interface Result {
  readonly circuit: string
  /** The planted faults as they are described. */
  readonly fault: string
  readonly found: boolean
  readonly tests: number
  readonly minutes: number
  /** Share of the doubt that the evidence has left, 0 to 1. */
  readonly doubt: number
  readonly evidence: readonly (readonly [skill: string, share: number, weight: number])[]
  /** Step, counted from one, and code of each verdict. */
  readonly verdicts: readonly string[]
  /** The piece that was concluded and is none of the guilty ones. */
  readonly wrong: string | null
  /** How sure the student was of the last conclusion, per cent. */
  readonly sure: number | null
}

/** A piece as a person names it: `L1 socket`, or the part's short name where it is the whole of it. */
function named(circuit: Circuit, id: string): Message {
  if (id === soundCircuit) return say('readings.soundCircuit')
  const piece = piecesOf(circuit).find((one) => one.id === id)
  if (!piece || piece.id === piece.part) return verbatim(id)
  return say('readings.pieceOf', { part: piece.part, name: messageOf(piece.unit.name) })
}

export function resultOf(
  order: Pick<Order, 'circuit' | 'planted' | 'frame'>,
  steps: readonly Step[],
  judged: JudgedAttempt,
): Result {
  const { circuit, planted } = order
  const guilty = new Set(piecesStruck(circuit, planted))
  const concluded = steps.filter((s) => s.type === 'conclude')
  const found = concluded.some((s) =>
    s.kind === soundCircuit
      ? planted.length === 0
      : findPieces(circuit, s.piece).some(({ id }) => guilty.has(id)),
  )
  const last = concluded.at(-1)
  return {
    circuit: circuit.name,
    fault: writeWords(
      planted.length ? planted.map((f) => describeFault(circuit, f)) : [say('readings.soundCircuit')],
    ),
    found,
    tests: steps.filter((s) => s.type === 'test').length,
    minutes: steps.reduce((bench, step) => advance(order, bench, step), startBench(order)).minutes,
    doubt: 1 - judged.evidence,
    evidence: evidenceOf(circuit, planted, judged, 0).map(({ skill, share, weight }) => [
      skill,
      Math.round(share * 1e4) / 1e4,
      weight,
    ]),
    verdicts: judged.judgements.map(
      ({ step, verdict, reason }) => `${step + 1}:${verdict.code || reason.code}`,
    ),
    wrong: last && !found ? writeWords([named(circuit, last.piece)]) : null,
    sure: last?.sure ?? null,
  }
}
