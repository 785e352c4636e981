export {
  fitTwoParameter,
  type Fit,
  type FitOptions,
  type FittedFault,
  type Prior,
  type Response,
} from './model/fit'
export { difficultyOf, type Difficulty, type Reason } from './difficulty/difficulty'
export { alikeSets, alikeWithin, apartBy } from './difficulty/variants'
export { wordOfDifficulty, type DifficultyWord } from './difficulty/word'
export {
  evidenceIn,
  fewestShown,
  named,
  heldBy,
  probabilityOf,
  weightFor,
  weightOf,
  type Held,
  type MisbeliefEvidence,
} from './misbeliefs/evidence'
export { findMisbelief, misbeliefs, type MisbeliefKey } from './misbeliefs/registry'
export { workOf } from './misbeliefs/work'
export { DrillBench } from './drills/bench'
export { Draw } from './drills/draw'
export { directions, type Answer, type Direction, type Given, type Item } from './drills/item'
export { judgeItem, type Told } from './drills/judge'
export { makeItem } from './drills/make'
export { drillLevels, nextDrill, type Answered, type DrillLevel } from './drills/progress'
export { drillKeys, drillKinds, drillOf, findDrill, type DrillKey } from './drills/registry'
export { correlation, mean } from './model/correlation'
