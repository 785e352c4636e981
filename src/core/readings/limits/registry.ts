import { electronic } from './kinds/electronic'
import { feedReturn } from './kinds/feed-return'
import { flat } from './kinds/flat'
import { perPieceSet } from './kinds/per-piece'
import { percent } from './kinds/percent'
import { pump } from './kinds/pump'
import { lightHeavy } from './kinds/light-heavy'
import { postClamp } from './kinds/post-clamp'
import { Registry } from '../../registry'
import { dutyOf, type Circuit, type Duty } from '../../circuit'
import type { Balance, DropRow } from '../key'
import type { LimitSet } from './limit-set'

/** Every limit set. A new one is its file and its line here. */
export const limitSets: readonly LimitSet[] = [
  feedReturn,
  flat,
  perPieceSet,
  percent,
  pump,
  lightHeavy,
  electronic,
  postClamp,
]

const registry = new Registry<LimitSet>('limit set', limitSets, ({ id }) => id)
/** The limit set of a key; undefined where there is none. */
export const findLimitSet = (id: string): LimitSet | undefined => registry.find(id)

/** What each kind of circuit may lose, where nobody has chosen (common practice, no source). */
const byDuty: Readonly<Record<Duty, LimitSet>> = {
  light: feedReturn,
  motor: pump,
  heavy: lightHeavy,
  electronic,
}

/** The set of this name, or, where there is none, the one that fits the kind of circuit. */
export const limitSetFor = (circuit: Pick<Circuit, 'duty' | 'parts'>, id = ''): LimitSet =>
  registry.find(id) ?? byDuty[dutyOf(circuit)]

/**
 * What the sets that speak of this kind of circuit say of one path: which pass it, which fail it. A set that judges a few
 * joints only speaks where one of them fails.
 */
export function opinionsOn(
  circuit: Pick<Circuit, 'duty' | 'parts'>,
  balance: Balance,
  drops: readonly DropRow[],
): { readonly passes: readonly LimitSet[]; readonly fails: readonly LimitSet[] } {
  const duty = dutyOf(circuit)
  const asked = limitSets.filter(({ duties }) => !duties || duties.includes(duty))
  const said = (set: LimitSet) => set.judge(balance, drops).passes
  return {
    passes: asked.filter((set) => !set.someJoints && said(set) === true),
    fails: asked.filter((set) => said(set) === false),
  }
}
