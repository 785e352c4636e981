export * from './definition'
export * from './registry'
export * from './route'
export * from './sizes'
export * from './strands'
export * from './wire-heat'
export { fuseColdOhms, fuseTypes, type FuseType } from './fuse'
export { fuseLaw, meltsAbove } from './fuse'
export {
  brightness,
  brightnessScale,
  brightnessText,
  filamentLaw,
  lightExponent,
  type Filament,
} from './lamp'
export { junctionLaw } from './junction'
export { internalResistance, loadTestLeast, openCircuitVoltage, surfaceLaw } from './battery'
export { motorLaw } from './motor'
export { copperOhms } from './wire'
export { kindOfPins, modulePattern, modulePins, mostPins, pinsOf, type Pins } from './module'
export { fuseTable, lampTable, sectionTable } from './tables'
