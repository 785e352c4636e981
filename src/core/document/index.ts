export { checkUpgrades, door, lift, type Door, type Stored, type Upgrades } from './door'
export {
  coded,
  figures,
  isMessage,
  messageOf,
  readWords,
  verbatim,
  writeWords,
  within,
  messageSchema,
  say,
  problemSchema,
  uncoded,
  type Code,
  type Measure,
  type Message,
  type Param,
  type NoCodes,
  type Words,
} from './message'
export { problemsOf, writePath, type Problem, type Read } from './problem'
