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
export { arrangementOf, complaintIn, complaintOf, draftComplaint } from './complaint'
export { complaintWords } from './complaint-words'
export { accessOf, instrumentMinutes, minutesToReach, partsTouched } from './minutes'
export {
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
