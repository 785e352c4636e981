export { Judge } from './judge'
export { judgedBy, judgementOf, hintOf, makeReady, verdictsOf } from './judging'
export { keptJudgement } from './judgements'
export { prepared } from './prepared'
