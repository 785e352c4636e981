export * from './registry'
export type { Repair } from './repair'
