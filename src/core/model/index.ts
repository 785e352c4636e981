export {
  findPart,
  Model,
  modelOf,
  NotInCircuit,
  partOf,
  walkPath,
  walkPaths,
  wireUp,
  type ModelPart,
  type ModelSegment,
  type PartWith,
} from './model'
export { halfId, isCavityName } from './cavities'
export { coloursAt, faceOf, faceSides, halvesOf, type Cavity, type FaceSide } from './face'
export { findPieces, piecesOf, type Piece } from './pieces'
export { spareSegments } from './spare'
export { runsOf, type Stride, type Walk } from './walks'
export { terminalName, terminalNamed } from './wiring'
export type { Point, Wiring } from './wiring'
