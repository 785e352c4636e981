export {
  buildBoard,
  jumperName,
  restModes,
  segmentAmps,
  senseOf,
  type Attachment,
  type Board,
  type BoardOptions,
} from './board'
export { type Exchanged, bodyAt, exchanged, isInBody, likeParts, placesOf, sparesOf } from './exchange'
export { pullsOnBench } from './bench-source'
export { drawBoard, drawElement } from './drawn'
export { handOf, heldInHand, inHand, partAlone, type PartAlone } from './part-alone'
export {
  Sensitivities,
  sensitivityBetween,
  shiftsBetween,
  tolerancesOf,
  type Sensitivity,
} from './sensitivity'
export {
  aftermath,
  noticeAll,
  solveBoard,
  type Noticed,
  type SolveOptions,
  type UnsolvedBoard,
} from './solved'
export { allMoved, isStill } from './struck'
export { SolvedBoard, type LimitCycle } from './solved-board'
