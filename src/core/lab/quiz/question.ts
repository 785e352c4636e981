import type { Circuit } from '../../circuit'
import type { Message } from '../../document'
import type { IsolatedRow, StateKey } from '../../readings'

/** What a question is made from: one state of a circuit, as it should be and as it is. */
export interface QuizSource {
  readonly circuit: Circuit
  readonly healthy: StateKey
  readonly faulted: StateKey
  /** Each part by itself on the ohmmeter, as it should be. */
  readonly isolated: readonly IsolatedRow[]
}

/** One answer to choose: the right one, or what somebody with a wrong misbelief would say. */
export interface Choice {
  readonly text: Message
  /** What is believed by whoever chooses it; none is the right answer. */
  readonly misbelief?: Message
}

/** A question with its answers; the right one is the first here, and is not where it is shown. */
export interface Question {
  readonly key: string
  readonly state: string
  readonly text: Message
  readonly choices: readonly Choice[]
  readonly why: Message
}

/** A wrong misbelief that practitioners meet, and the questions that part those who have it from those who do not. */
export interface Misbelief {
  readonly key: string
  readonly ask: (source: QuizSource) => readonly Omit<Question, 'key' | 'state'>[]
}

/** Volts and amps under which nothing is flowing, or nothing is lost, as a school's meter shows it. */
export const nothing = { volts: 0.005, amps: 0.0005 } as const
export const inVolts = (value: number) => ({ value, unit: 'V' })
export const inAmps = (value: number) => ({ value, unit: 'A' })
