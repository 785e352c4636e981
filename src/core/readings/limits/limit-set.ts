import type { Duty } from '../../circuit'
import type { Message, Words } from '../../document'
import type { Balance, DropRow } from '../key'

export interface LimitVerdict {
  /** Null where there is nothing to judge: a loss shows only while current flows. */
  readonly passes: boolean | null
  /** One line: which loss, how much, against what. */
  readonly reason: Message
}

/** An opinion on how much loss is allowed. All are common practice, no source. */
export interface LimitSet {
  readonly id: string
  readonly title: Words
  /** Why one would choose it, in one line. */
  readonly why: Words
  /** Kinds of circuit that it speaks of; all unless said. */
  readonly duties?: readonly Duty[]
  /** It judges a few joints and not the whole path: that those are good says nothing of the rest. */
  readonly someJoints?: true
  /** Volts that each side may lose, where the set judges by side. */
  readonly allows?: (balance: Balance) => readonly [feed: number, back: number]
  readonly judge: (balance: Balance, drops: readonly DropRow[]) => LimitVerdict
}
