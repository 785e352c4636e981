export { Belief, contradiction, type KeptBelief } from './belief'
export { type Conditions, type Fact, type Measured, type TestSetup } from './evidence'
export { familiesOf, faultAt, placeOnGrid, sameFamily, severityAt, widthOf, type Family } from './families'
export { admits, situationOf, type Range } from './narrow'
export { fits, Predictor } from './predictor'
export { candidatesOf, expectedBits, rankTests, type Choice } from './worth'
export {
  alike,
  glowAcross,
  groupsOf,
  isLazy,
  revealing,
  seeAll,
  sightOf,
  sightsOf,
  sorts,
  writeSight,
  type SeenFault,
  type Sight,
  type Sights,
} from './sight'
