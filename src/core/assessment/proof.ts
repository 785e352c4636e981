import type { KeyOf } from '../../messages/codes'
import { dequal } from 'dequal/lite'
import { heldByPoints } from '../instruments'
import { piecesStruck } from '../faults'
import { findPieces } from '../model'
import {
  faultsUncured,
  repairOf,
  soundCircuit,
  complaintOf,
  type Arrangement,
  type BenchState,
  type Order,
  stateOf,
  type Step,
  type StepOf,
} from '../attempt'
import { stateSignature, type Circuit } from '../circuit'
import { instrumentOf } from '../instruments'
import { say } from '../document'
import type { Judgement } from './verdict'

/** Says at the last of them why the whole mark is capped, where parts were put in one after the other. */
export function judgeSwaps(steps: readonly Step[]): Judgement {
  return {
    aspect: 'repair',
    step: steps.findLastIndex((s) => s.type === 'repair'),
    grade: 'poor',
    verdict: say('assessment.swapped'),
    reason: say('assessment.swappedParts'),
  }
}

/** Half the mark of repair and proof is the repair, a quarter the test under load again, a quarter the complaint gone. */
const shares = { cured: 0.5, test: 0.25, complaint: 0.25, good: 0.25 }

/** Judges what was put right, what was replaced for nothing, and whether it was shown to be right. */
export function judgeRepair(order: Order, steps: readonly Step[], bench: BenchState): Judgement | undefined {
  const last = steps.findLastIndex((s) => s.type === 'repair' && s.did?.cured === true)
  const tried = steps.filter((s) => s.type === 'repair')
  const make = (
    step: number,
    grade: Judgement['grade'],
    verdict: KeyOf<'assessment'>,
    reason: Judgement['reason'],
    share: number,
  ): Judgement => ({ aspect: 'repair', step, grade, verdict: say(`assessment.${verdict}`), reason, share })
  // Another way on the right piece costs its minutes; only a new part or another piece was for nothing.
  const at = piecesStruck(order.circuit, order.planted)
  const wasted = tried.filter(
    ({ did, piece, by }) =>
      did?.cured !== true &&
      (repairOf(by).consumes || !findPieces(order.circuit, piece).some(({ id }) => at.includes(id))),
  ).length
  if (last < 0) {
    const concluded = steps.findLastIndex((s) => s.type === 'conclude')
    const said = steps[concluded]
    if (order.planted.length === 0 && said?.type === 'conclude' && said.kind === soundCircuit)
      return wasted
        ? make(
            concluded,
            'partly',
            'notCured',
            say('assessment.goodParts', { count: wasted }),
            Math.max(0, 1 - shares.good * wasted),
          )
        : make(concluded, 'good', 'nothingToRepair', say('assessment.leftAsItIs'), 1)
    if (tried.length) {
      const at = steps.findLastIndex((s) => s.type === 'repair')
      return make(at, 'poor', 'notCured', say('assessment.goodParts', { count: tried.length }), 0)
    }
    return concluded < 0
      ? undefined
      : make(concluded, 'poor', 'noRepair', say('assessment.nothingRepaired'), 0)
  }
  const left = faultsUncured(order.circuit, order.planted, bench).length
  const after = steps.slice(last + 1)
  const tests = steps.filter((s) => s.type === 'test')
  const again = after.some(
    (s) =>
      s.type === 'test' &&
      instrumentOf(s.instrument).nature(s.settings).needsDead !== true &&
      steps.slice(0, last).some((t) => t.type === 'test' && sameTest(order.circuit, t, s) && differs(t, s)),
  )
  const measured = after.some(
    (s) => s.type === 'test' && instrumentOf(s.instrument).nature(s.settings).needsDead !== true,
  )
  const gone = after.some((s) => s.type === 'operate' && isGone(order, steps.slice(0, last), s))
  const bypassed = tests.some((s) => s.also.some((one) => carries(one)) || carries(s))
  const share =
    (shares.cured * (order.planted.length - left)) / order.planted.length +
    (again ? shares.test : measured || bypassed ? shares.test / 2 : 0) +
    (gone || again ? shares.complaint : 0) -
    shares.good * wasted
  const missing =
    !again && !measured ? 'proofMissing' : !again ? 'otherTest' : !gone ? 'provenByTest' : 'provenBoth'
  const reason = wasted
    ? say('assessment.both', {
        first: say(`assessment.${missing}`),
        second: say('assessment.goodParts', { count: wasted }),
      })
    : say(`assessment.${missing}`)
  return make(
    last,
    share >= 0.99 ? 'good' : 'partly',
    again || measured ? 'repaired' : 'notProved',
    reason,
    Math.max(0, Math.min(1, share)),
  )
}

const carries = ({
  instrument,
  settings,
}: Pick<Extract<Step, { type: 'test' }>, 'instrument' | 'settings'>): boolean => {
  const { carries: on, draws } = instrumentOf(instrument).nature(settings)
  return on === true && draws === 0
}

/**
 * Operated as it was complained of, nothing shows what it did; or, where more was wrong than was complained of, it does otherwise
 * now where it had been operated before. Hours are for a reading to prove.
 */
function isGone(order: Order, before: readonly Step[], step: StepOf<'operate'>): boolean {
  const complaint = complaintOf(order).filter(({ hours }) => hours === undefined)
  const at = (arrangement: Arrangement) => stateSignature(order.circuit, stateOf(arrangement))
  const claims = complaint.filter(({ arrangement }) => at(arrangement) === at(step.arrangement))
  if (step.also?.length || step.arrangement.bypassed?.length) return false
  if (complaint.length === 0) return true
  if (claims.length) return claims.every(({ part, notice }) => step.seen[part] !== notice)
  return before.some(
    (s) =>
      s.type === 'operate' &&
      at(s.arrangement) === at(step.arrangement) &&
      Object.entries(s.seen).some(([part, notice]) => step.seen[part] !== notice),
  )
}

type Test = Extract<Step, { type: 'test' }>
const sameTest = (circuit: Circuit, a: Test, b: Test): boolean =>
  a.instrument === b.instrument &&
  dequal(heldByPoints(circuit, a.held), heldByPoints(circuit, b.held)) &&
  stateSignature(circuit, stateOf(a.arrangement)) === stateSignature(circuit, stateOf(b.arrangement))
const differs = (a: Test, b: Test): boolean =>
  a.reading.value !== b.reading.value || a.reading.word !== b.reading.word
