import type { Message } from '../../document'
import type { Unit } from '../../quantity'
import type { MisbeliefKey } from '../misbeliefs/registry'

/** One answer to choose. */
export interface Option {
  readonly says: Message
  readonly right: boolean
  /** Why it is wrong, out of the engine; what the item says of itself where it is right. */
  readonly why?: Message
  /** The wrong idea whose holder chooses it. */
  readonly misbelief?: MisbeliefKey
}

/** A wrong value that somebody types who holds a wrong idea. */
export interface Lure {
  readonly value: number
  readonly within: number
  readonly misbelief: MisbeliefKey
}

export type Answer =
  | { readonly type: 'choice'; readonly options: readonly Option[] }
  | {
      readonly type: 'value'
      readonly unit: Unit
      readonly value: number
      /** Half-widths within which an answer is right, and near. */
      readonly within: number
      readonly near: number
      /** What it is beside a good circuit, where that is asked as well. */
      readonly direction?: Direction
      readonly lures: readonly Lure[]
    }
export const directions = ['higher', 'same', 'lower'] as const
export type Direction = (typeof directions)[number]

/** A question of a drill, with its key: made by the engine, whole only where it is judged. */
export interface Item {
  readonly kind: string
  /** Id of the state of the circuit that it is about; of its own parts are taken out besides. */
  readonly state: string
  readonly detached: readonly string[]
  /** Where two leads lie, by the points' names. */
  readonly leads?: readonly [red: string, black: string]
  /** What is told beforehand, each a line. */
  readonly given: readonly Message[]
  readonly asks: Message
  readonly answer: Answer
  readonly why: Message
  /** Logits on the scale of faults' difficulty. */
  readonly difficulty: number
}

/** What a student answers. */
export type Given =
  | { readonly type: 'choice'; readonly option: number }
  | { readonly type: 'value'; readonly value: number; readonly direction?: Direction | undefined }
