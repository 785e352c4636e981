import type { Message } from '../../document'
import type { Circuit } from '../../circuit'
import type { Wiring, Walk } from '../../model'
import type { StateKey } from '../../readings'

export interface Warning {
  /** The part it stands at. */
  readonly part: string
  readonly text: Message
  /** `hazard` can burn or hurt; `wrong` will not work; `hint` is worth a look. */
  readonly weight: 'hazard' | 'wrong' | 'hint'
}

/** What a rule looks at: the circuit as built, its walks, and its readings in the state at hand if it solves. */
export interface Workpiece {
  readonly circuit: Circuit
  readonly wiring: Wiring
  readonly walks: readonly Walk[]
  readonly key: StateKey | null
}

export interface Rule {
  readonly id: string
  readonly check: (built: Workpiece) => readonly Warning[]
}
