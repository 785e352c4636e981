export {
  drawSets,
  lessonFormat,
  lessonJsonSchema,
  lessonSchema,
  lessonVersion,
  readLesson,
  type Lesson,
} from './lesson'
export {
  brokenRules,
  costOf,
  leastUneven,
  rotate,
  type Broken,
  type Group,
  type Seats,
  type Station,
} from './rotation'
export {
  evidenceOf,
  levelOf,
  levelsOf,
  needsOf,
  nextOf,
  ready,
  reliability,
  skillKeys,
  skills,
  topicsOf,
  type Evidence,
  type Skill,
} from './skills'
export {
  guessColumns,
  isOneRoster,
  loginFrom,
  readOneRoster,
  readPlain,
  type Columns,
  type Roster,
  type RosterFile,
} from './roster'
export { type Ask } from './script'
export { orderOfChoices, quizOf, type Question } from './quiz'
