import type { Circuit } from '../../circuit'
import { say, type Message } from '../../document'
import { piecesOf } from '../../model'
import type { Fault } from '../../faults'
import { hypothesesOf } from './hypotheses'

/** Hypotheses times pieces that are prepared in about a minute, and kept in what one thread may hold (measured). */
const most = 1_000_000
/** With a second fault nothing is excluded by the complaint alone: every reading weighs every hypothesis (measured). */
const pairWork = 6

const workOf = (circuit: Circuit, planted: readonly Fault[], faults: 1 | 2): number =>
  hypothesesOf(circuit, planted, faults).length * piecesOf(circuit).length * (faults === 2 ? pairWork : 1)

/**
 * Why an order on this circuit cannot be judged in the time and memory that a thread has; undefined where it can.
 * @param faults how many there may be
 */
export function tooLargeToJudge(
  circuit: Circuit,
  planted: readonly Fault[],
  faults: 1 | 2,
): Message | undefined {
  const work = workOf(circuit, planted, faults)
  if (work <= most) return undefined
  const pieces = piecesOf(circuit).length
  // Both factors grow with the circuit.
  const fewer = Math.max(10, Math.floor((pieces * Math.sqrt(most / work)) / 10) * 10)
  const one = faults === 2 && workOf(circuit, planted.slice(0, 1), 1) <= most
  return say(one ? 'attempt.tooLargeForTwo' : 'attempt.tooLargeToJudge', { pieces, fewer })
}
