import type { DrillBench } from './bench'
import { Draw } from './draw'
import type { Item } from './item'
import { drillOf, type DrillKey } from './registry'

/** Draws that are made before a circuit is said to offer nothing of a kind. */
const mostDraws = 60
/** Items that are made to choose the one of the wanted difficulty from. */
const choice = 3

/**
 * A question of a kind about a circuit, always the same from the same seed; of three the one that is nearest to the wanted
 * difficulty.
 * @param seed whole number
 * @param wanted logits; any where none is wanted
 * @returns undefined where the circuit offers none
 */
export function makeItem(bench: DrillBench, kind: DrillKey, seed: number, wanted?: number): Item | undefined {
  const draw = new Draw(seed)
  const made: Item[] = []
  const enough = wanted === undefined || drillOf(kind).alike ? 1 : choice
  for (let n = 0; n < mostDraws && made.length < enough; n++) {
    const item = drillOf(kind).make(bench, draw)
    if (item && isWhole(item)) made.push({ ...item, kind })
  }
  if (wanted === undefined) return made[0]
  return made.sort((p, q) => Math.abs(p.difficulty - wanted) - Math.abs(q.difficulty - wanted))[0]
}

/** One right answer, and no two that read alike. */
function isWhole({ answer }: Omit<Item, 'kind'>): boolean {
  if (answer.type === 'value') return Number.isFinite(answer.value)
  const looks = new Set(answer.options.map(({ says }) => JSON.stringify(says)))
  return looks.size === answer.options.length && answer.options.filter(({ right }) => right).length === 1
}
