export { warningsOf } from './registry'
export { type Warning } from './rule'
export { protection } from './wire-and-fuse'
