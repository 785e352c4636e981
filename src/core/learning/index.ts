export {
  fitTwoParameter,
  type Fit,
  type FitOptions,
  type FittedFault,
  type Prior,
  type Response,
} from './fit'
export { wordOfDifficulty, type DifficultyWord } from './word'
