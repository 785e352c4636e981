import type { Code } from '../../document'
import type { Skill } from '../../lab'
import type { DrillBench } from './bench'
import type { Draw } from './draw'
import type { Item } from './item'

/** A kind of question. A new one is its file and its line in the registry. */
export interface DrillKind<K extends string = string> {
  readonly key: K
  readonly title: Code
  /** The skill of the records that it is evidence for. */
  readonly skill: Skill
  /** Every item of it is as hard, and takes long to make. */
  readonly alike?: true
  /** Makes one of a circuit; undefined where chance has led to nothing that makes a question here. */
  readonly make: (bench: DrillBench, draw: Draw) => Omit<Item, 'kind'> | undefined
}

export const defineDrill = <const K extends string>(kind: DrillKind<K>): DrillKind<K> => kind
