export { judgeAttempt, makeReady, prepareJudging } from './judge'
export { firstBelief, complaintFacts } from './first'
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
export { givenTotal, marksOf } from './marks'
export { ruleOf, ruleTexts, techniqueRules } from './rules/registry'
export { followBlindly, hintFor, practiceVerdicts, questionAbout } from './practice'
