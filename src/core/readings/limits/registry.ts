import { feedReturn } from './kinds/feed-return'
import { flat } from './kinds/flat'
import { perPieceSet } from './kinds/per-piece'
import { percent } from './kinds/percent'
import { pump } from './kinds/pump'
import { lightHeavy } from './kinds/light-heavy'
import { postClamp } from './kinds/post-clamp'
import type { LimitSet } from './limit-set'

/** Every limit set. The first is the default. A new one is its file and its line here. */
export const limitSets: readonly LimitSet[] = [
  feedReturn,
  flat,
  perPieceSet,
  percent,
  pump,
  lightHeavy,
  postClamp,
]

export const limitSetOf = (id: string): LimitSet => limitSets.find((set) => set.id === id) ?? limitSets[0]!
