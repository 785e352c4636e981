import { figures, type Message } from '../../document'
import { formatQuantity } from '../../quantity'
import type { MisbeliefKey } from '../misbeliefs/registry'
import type { Given, Item } from './item'

/** What is told at once of an answer. */
export interface Told {
  /** 0 to 1. */
  readonly share: number
  readonly right: boolean
  /** Why what was answered is wrong; absent where it is right. */
  readonly but?: Message
  /** The reason, out of the engine. */
  readonly why: Message
  /** The answer as the trade writes it. */
  readonly key: Message
  /** Wrong ideas that this item could show, and whether this answer shows them. */
  readonly ideas: readonly { readonly misbelief: MisbeliefKey; readonly shown: boolean }[]
}

/** Of an answer whose value is near, or of which the direction alone is right (common practice, no source). */
const half = 0.5

/** @throws RangeError where the answer is none of those that were offered */
export function judgeItem({ answer, why }: Item, given: Given): Told {
  if (answer.type === 'choice') {
    const chosen = given.type === 'choice' ? answer.options[given.option] : undefined
    if (!chosen) throw new RangeError('there is no such answer')
    const offered = new Set(answer.options.flatMap(({ misbelief }) => misbelief ?? []))
    return {
      share: chosen.right ? 1 : 0,
      right: chosen.right,
      ...(!chosen.right && chosen.why && { but: chosen.why }),
      why,
      key: answer.options.find(({ right }) => right)!.says,
      ideas: [...offered].map((misbelief) => ({ misbelief, shown: chosen.misbelief === misbelief })),
    }
  }
  if (given.type !== 'value' || !Number.isFinite(given.value)) throw new RangeError('a number is asked for')
  const miss = Math.abs(given.value - answer.value)
  const valued = miss <= answer.within ? 1 : miss <= answer.near ? half : 0
  const turned = answer.direction === undefined ? undefined : given.direction === answer.direction
  const share = turned === undefined ? valued : half * Number(turned) + half * valued
  const right = valued === 1 && turned !== false
  return {
    share,
    right,
    why,
    key: figures(formatQuantity(answer.value, answer.unit)),
    ideas: answer.lures.map(({ value, within, misbelief }) => ({
      misbelief,
      shown: !right && Math.abs(given.value - value) <= within,
    })),
  }
}
