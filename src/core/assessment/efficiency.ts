import type { BenchState } from '../attempt'
import { expectedBits, rankTests, type Belief, type Choice, type TestSetup } from '../diagnosis'
import { instrumentOf, type InstrumentKey } from '../instruments'
import { heldIn } from './facts'
import { say, messageOf } from '../document'
import type { Judgement } from './verdict'

/** Bits below which a test could not have told anything. */
const nothing = 0.02
/** Bits of doubt below which nothing is left to find out. */
export const allKnown = 0.15
/** What a wasted test leaves: its minutes are gone, nothing else. */
const wasted = 0.4

export interface EfficiencyInput {
  readonly before: Belief
  /** With the reading. */
  readonly after: Belief
  readonly setup: TestSetup
  readonly minutes: number
  readonly bag: readonly InstrumentKey[]
  readonly bench: BenchState
  /** The ohmmeter met a live circuit: it told nothing. */
  readonly lost: boolean
  /** The first source reading and a proof are never wasted. */
  readonly excused: boolean
  /** The same had been measured before, and nothing had changed. */
  readonly again: boolean
  readonly step: number
}

/** It told much or little beside the best of that moment, could tell nothing, came when all was known, or was a proof. */
export type Aim = 'good' | 'fair' | 'poor' | 'nothing' | 'known' | 'proof'

export interface JudgedChoice {
  readonly judgement: Judgement
  readonly aim: Aim
}

/** What a test was worth beside the best of that moment, in bits of doubt per minute. */
export function judgeEfficiency(input: EfficiencyInput): JudgedChoice | undefined {
  const { before, after, setup, minutes, bag, bench, lost, excused, again, step } = input
  const make = (
    grade: Judgement['grade'],
    verdict: Judgement['verdict'],
    reason: Judgement['reason'],
    aim: Aim,
    share?: number,
  ): JudgedChoice => ({
    judgement: { aspect: 'efficiency', step, grade, verdict, reason, ...(share !== undefined && { share }) },
    aim,
  })
  if (excused) return make('neutral', say('assessment.excused'), say('assessment.neverWasted'), 'proof')
  // Where nothing is left to find out, whatever is measured more is a proof.
  if (before.bits < allKnown)
    return make('neutral', say('assessment.excused'), say('assessment.allKnown'), 'known')
  // Worth is what it could have told before anybody knew, or what it did tell.
  const bits = lost || again ? 0 : Math.max(expectedBits(before, setup), before.bits - after.bits)
  const [best] = rankTests(before, bag, bench, setup.conditions)
  if (!best) return undefined
  const share = Math.min(1, bits / minutes / (best.bits / best.minutes))
  const tip = tipOf(best)
  // A load or a bypass proves that amps pass, which no reading of volts does: it is never for nothing.
  const { carries } = instrumentOf(setup.instrument).nature(setup.settings)
  if (bits < nothing && carries && !lost && !again)
    return make('neutral', say('assessment.excused'), say('assessment.provedByLoad'), 'proof')
  if (bits < nothing)
    return make('poor', say('assessment.wasted'), say('assessment.toldNothing', { tip }), 'nothing', wasted)
  const percent = say('assessment.share', { percent: { shown: String(Math.round(share * 100)) } })
  // Half as good as the best is a good choice: nobody reckons bits at a bench.
  if (share >= 0.4 || bits >= 0.6 * best.bits)
    return make('good', say('assessment.goodChoice'), say('assessment.fewBetter'), 'good', 1)
  return share >= 0.15 || bits >= 0.3 * best.bits
    ? make('partly', percent, tip, 'fair', 0.85)
    : make('partly', percent, tip, 'poor', 0.7)
}

/** The test in words: with what, where, in which state. */
export const tipOf = ({ setup, held, state }: Choice) =>
  say('assessment.better', {
    title: messageOf(instrumentOf(setup.instrument).title),
    place: heldIn(held),
    state,
  })
