export { faultsLike } from './another'
export {
  advance,
  benchAfter,
  boardOf,
  faultsLeft,
  faultsUncured,
  startBench,
  stateOf,
  type BenchState,
} from './bench-state'
export { arrangementOf, complaintIn, complaintOf, draftComplaint, whatShows, type Shows } from './complaint'
export { claimText, complaintWords } from './complaint-words'
export { isShaken, movableParts, shaken, still } from './movement'
export { ampsOfHours, batteryAmps, flatKey, standingBattery } from './standing'
export { accessOf, instrumentMinutes, minutesToReach, partsTouched } from './minutes'
export {
  type Claim,
  defaultFrame,
  frameDoor,
  frameSchema,
  meterOfFrame,
  plantedDoor,
  usualHints,
  type Frame,
  type Order,
} from './order'
export { checkArrangement, checkComplaint, perform, type Action, type Performed } from './perform'
export { cures, repairKeys, repairOf, repairs, repairsFor, type RepairKey } from './repairs'
export {
  arrangementSchema,
  asSeen,
  concludeStep,
  soundCircuit,
  hasSign,
  hintLevels,
  hintStep,
  inferStep,
  mostSteps,
  operateStep,
  readingSchema,
  renewStep,
  repairStep,
  stepDoor,
  stepSchema,
  testStep,
  type Arrangement,
  type Connection,
  type HintLevel,
  type Prediction,
  type Source,
  type Step,
  type StepOf,
  type StoredReading,
} from './steps'
export { predictionSaid, readingSaid, type Said } from './said'
export { shownOf } from './shown'
export { handbookModes, orderModes, type HandbookMode } from './modes'
