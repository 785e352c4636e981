export { judgeAttempt, makeReady, prepareJudging, solveAhead } from './judge'
export { firstBelief } from './first'
export { honestWays } from './model-path'
export { allowanceOf } from './prediction'
export { Judging, type Prepared } from './judging'
export { defaultRubric, rubricDoor, rubricSchema, type Rubric } from './rubric'
export {
  aspectNames,
  aspects,
  judgedSchema,
  type Aspect,
  type JudgedAttempt,
  type Judgement,
  type Mark,
} from './verdict'
export { givenTotal, marksOf, type Account } from './marks'
export { ruleWords, techniqueRules } from './rules/registry'
export type { TechniqueRule } from './rules/rule'
export { followBlindly, hintFor, practiceVerdicts, questionAbout } from './practice'
export type { ExampleReading, RuleExample } from './rules/example'
export type { Technique } from './technique'
export {
  carries,
  endsOf,
  feedBefore,
  flows,
  isDropTest,
  natureOf,
  newlyStruck,
  piecesBetween,
  readsVolts,
  sidesOf,
} from './rules/context'
export type { TestContext } from './rules/rule'
