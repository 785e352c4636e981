export { isApart, passing } from './detectability'
export { deadRows, isolatedRows, type IsolatedRow } from './isolated'
export {
  answerKey,
  boardOfKey,
  stateKey,
  type AnswerKey,
  type Balance,
  type DropRow,
  type FuseRow,
  type StateKey,
} from './key'
export { type LimitSet, type LimitVerdict } from './limits/limit-set'
export { lampForFuseAmps, lampForFuseKeys } from './lamp-for-fuse'
export { lossesOf, smallLosses, type LossStep } from './losses'
export { findLimitSet, limitSetFor, limitSets, opinionsOn } from './limits/registry'
export {
  cellOf,
  clampColumns,
  columnsFor,
  dropAmps,
  dropColumns,
  fuseColumns,
  isolatedColumns,
  pointColumns,
  type Column,
} from './columns'
export {
  clampTable,
  dropRows,
  fuseTable,
  isolatedTable,
  pointRows,
  writeVolts,
  type Arrange,
  type Figure,
  type Sortable,
} from './rows'
