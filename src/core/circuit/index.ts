export { copperArea } from './copper'
export { dutyOf } from './duty'
export { partIn, refOf, splitRef, type Ref, type SegmentRef, type TerminalRef } from './refs'
export {
  bundleSchema,
  circuitFormat,
  circuitSchema,
  circuitVersion,
  duties,
  measuredScatter,
  partSchema,
  pathSchema,
  placeSchema,
  scatterSchema,
  schoolScatter,
  stepSchema,
  type Bundle,
  type Circuit,
  type CircuitPath,
  type Duty,
  type Part,
  type Place,
  type Scatter,
} from './schema'
export { openingState, settable, stateSchema, stateSignature, terminalRef, type CircuitState } from './state'
export { firstSource, systemOf, type System } from './system'
export { liftChoice, liftControls, liftWords, upgradeDocument } from './upgrade'
