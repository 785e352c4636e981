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
