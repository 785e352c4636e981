import type { Circuit, CircuitState } from '../circuit'
import type { Read, Words } from '../document'
import type { Fault } from '../faults'
import type { AnswerKey } from '../readings'

/** All that a format may be asked to write. */
export interface Writing {
  readonly circuit: Circuit
  readonly faults: readonly Fault[]
  readonly healthy: AnswerKey
  readonly faulted: AnswerKey | undefined
  /** Which losses are called too much; what fits the circuit unless said. */
  readonly limits?: string
  /** Of what there is one a state. */
  readonly state: CircuitState
  readonly tell: (words: Words) => string
}

/** A file format: what it is called, and what it reads or writes. */
export interface Format {
  readonly key: string
  readonly title: Words
  /** What somebody chooses when they take it along. */
  readonly about: Words
  /** Endings of its files, without a dot; the first is written. */
  readonly endings: readonly string[]
  readonly mime: string
  /** Whether a text without a telling name looks like it. */
  readonly looksLike?: (text: string) => boolean
  /** Reads a circuit; what it was is told by `title`. */
  readonly read?: (text: string) => Read<Circuit>
  readonly write?: (writing: Writing) => Read<string>
}
