export { cures, repairKeys, repairOf, repairs, repairsFor, type RepairKey } from './registry'
export type { Repair } from './repair'
