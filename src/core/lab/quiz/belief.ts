import type { Circuit } from '../../circuit'
import type { Message } from '../../document'
import type { IsolatedRow, StateKey } from '../../readings'

/** What a question is made from: one state of a circuit, as it should be and as it is. */
export interface Scene {
  readonly circuit: Circuit
  readonly healthy: StateKey
  readonly faulted: StateKey
  /** Each part by itself on the ohmmeter, as it should be. */
  readonly isolated: readonly IsolatedRow[]
}

/** One answer to choose: the right one, or what somebody with a wrong belief would say. */
export interface Choice {
  readonly text: Message
  /** What is believed by whoever chooses it; none is the right answer. */
  readonly belief?: Message
}

/** A question with its answers; the right one is the first here, and is not where it is shown. */
export interface Question {
  readonly key: string
  readonly state: string
  readonly text: Message
  readonly choices: readonly Choice[]
  readonly why: Message
}

/** A wrong belief that practitioners meet, and the questions that part those who have it from those who do not. */
export interface Belief {
  readonly key: string
  readonly ask: (scene: Scene) => readonly Omit<Question, 'key' | 'state'>[]
}

/** Volts and amps under which nothing is flowing, or nothing is lost, as a school's meter shows it. */
export const nothing = { volts: 0.005, amps: 0.0005 } as const
export const volts = (value: number) => ({ value, unit: 'V' })
export const amps = (value: number) => ({ value, unit: 'A' })
