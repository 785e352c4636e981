export {
  accesses,
  positionName,
  type Access,
  type AnyPart,
  type At,
  type FieldMeta,
  type Net,
  type Notice,
  type Role,
  type ScanRow,
  type Segment,
  type Sense,
  type StrikeUnit,
  type Surroundings,
  type TerminalKey,
} from './definition'
export { isPartKind, nameOfPart, noticeText, partKinds, partOfKind, parts } from './registry'
export { routeThrough, type Route } from './route'
export { presetsOf, readParameters, sized } from './sizes'
export { strandsOf } from './strands'
export { burns, overheats } from './wire-heat'
export { fuseColdOhms, fuseTypes, type FuseType } from './fuse'
export { fuseLaw, meltsAbove } from './fuse'
export { brightness, brightnessScale, filamentLaw, lightExponent, type Filament } from './lamp'
export { junctionLaw } from './junction'
export { internalResistance, loadTestLeast, openCircuitVoltage, surfaceLaw } from './battery'
export { motorLaw } from './motor'
export { copperOhms } from './wire'
export { kindOfPins, modulePattern, modulePins, mostPins, pinsOf, type Pins } from './module'
export { fuseTable, lampTable, sectionTable } from './tables'
