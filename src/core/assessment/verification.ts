import type { KeyOf } from '../../messages/codes'
import {
  complaintOf,
  hasSign,
  standingBattery,
  stateOf,
  still,
  type Arrangement,
  type Order,
  type Step,
  type StepOf,
} from '../attempt'
import { stateSignature, type Circuit } from '../circuit'
import { say } from '../document'
import type { Judgement } from './verdict'

/** The same but for what is moved and how long ago the key was turned off. */
const signature = (circuit: Circuit, arrangement: Arrangement): string =>
  stateSignature(circuit, { ...stateOf(still(arrangement)), sinceKeyOff: 0 })

/**
 * Whether the complaint was seen with one’s own eyes before anything was measured. What only time shows is verified by the
 * current that the vehicle draws while it is left: after no more than a look at the battery.
 */
export function judgeVerification(order: Order, steps: readonly Step[]): Judgement | undefined {
  const { circuit } = order
  const complaint = complaintOf(order)
  if (!steps.some((s) => s.type === 'test' || s.type === 'operate')) return undefined
  const flat = complaint.filter((c) => c.hours !== undefined)
  const onlyFlat = flat.length > 0 && flat.length === complaint.length
  const states = new Set(complaint.map((c) => stateSignature(circuit, stateOf(c.arrangement))))
  const left = new Set(flat.map((c) => signature(circuit, c.arrangement)))
  const showsDrain = (step: Step) =>
    step.type === 'test' && readsAmps(step) && left.has(signature(circuit, step.arrangement))
  const shows = (step: Step) =>
    showsDrain(step) ||
    (step.type === 'operate' &&
      !step.also?.length &&
      (states.size === 0 ||
        states.has(stateSignature(circuit, stateOf(step.arrangement))) ||
        complaint.some((c) => step.seen[c.part] === c.notice)))
  const atBattery = (step: Step) =>
    flat.length > 0 && step.type === 'test' && isAcross(step, standingBattery(circuit)?.part)
  const firstTest = steps.findIndex((s) => s.type === 'test' && !showsDrain(s) && !atBattery(s))
  const at = steps.findIndex(onlyFlat ? showsDrain : shows)
  const before = at >= 0 && (firstTest < 0 || at < firstTest)
  const make = (
    grade: Judgement['grade'],
    verdict: KeyOf<'assessment'>,
    reason: KeyOf<'assessment'>,
    share: number,
  ): Judgement => ({
    aspect: 'verification',
    step: at >= 0 ? at : Math.max(0, firstTest),
    grade,
    verdict: say(`assessment.${verdict}`),
    reason: say(`assessment.${reason}`),
    share,
  })
  if (onlyFlat) {
    if (before) return make('good', 'verified', 'readDrain', 1)
    return at >= 0
      ? make('partly', 'late', 'readDrainLate', 0.5)
      : make('poor', 'notVerified', 'neverReadDrain', 0)
  }
  if (before) return make('good', 'verified', 'sawIt', 1)
  if (at >= 0) return make('partly', 'late', 'sawItLate', 0.5)
  const other = steps.findIndex((s) => s.type === 'operate')
  return other >= 0 && other < firstTest
    ? make('partly', 'elsewhere', 'sawElsewhere', 0.5)
    : make('poor', 'notVerified', 'neverSaw', 0)
}

/** It told amps: a meter in the way, a clamp, the millivolts of a fuse with what they stand for. */
const readsAmps = ({ reading }: StepOf<'test'>): boolean =>
  reading.unit === 'A' || hasSign(reading, 'fuseAmps')

/** Both leads were on this part. */
const isAcross = ({ held }: StepOf<'test'>, part: string | undefined): boolean =>
  held.type === 'leads' &&
  part !== undefined &&
  [held.red, held.black].every((name) => /^[A-Z]+\d+/.exec(name)?.[0] === part)
