export { cautions } from './cautions'
export { checkUpgrades, door, lift, type Door, type Stored, type Upgrades } from './door'
export {
  coded,
  isMessage,
  messageSchema,
  phrases,
  problemSchema,
  uncoded,
  type Measure,
  type Message,
  type Param,
  type Phrases,
} from './message'
export { problemsOf, writePath, type Problem, type Read } from './problem'
