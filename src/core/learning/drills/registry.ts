import { Registry } from '../../registry'
import { arithmetic } from './kinds/arithmetic'
import { clears } from './kinds/clears'
import { drawing } from './kinds/drawing'
import { limits } from './kinds/limits'
import { meaning } from './kinds/meaning'
import { nextTest } from './kinds/next-test'
import { predict } from './kinds/predict'
import { predictFault } from './kinds/predict-fault'
import { setMeter } from './kinds/set-meter'
import { unsafe } from './kinds/unsafe'
import { whichSide } from './kinds/which-side'
import type { DrillKind } from './kind'

/** Every kind of question, in the order in which they are taught. A new one is its file and its line here. */
const all = [
  drawing,
  predict,
  meaning,
  setMeter,
  unsafe,
  whichSide,
  limits,
  arithmetic,
  predictFault,
  clears,
  nextTest,
] as const
export type DrillKey = (typeof all)[number]['key']
export const drillKinds: readonly DrillKind<DrillKey>[] = all
export const drillKeys = all.map(({ key }) => key)
const registry = new Registry<DrillKind<DrillKey>>('kind of drill', drillKinds, ({ key }) => key)
/** The kind of a key; undefined where there is none. */
export const findDrill = (key: string): DrillKind<DrillKey> | undefined => registry.find(key)
/** @throws UnknownKey */
export const drillOf = (key: DrillKey): DrillKind<DrillKey> => registry.get(key)
