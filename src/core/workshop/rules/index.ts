export * from './registry'
export * from './rule'
export { protection } from './wire-and-fuse'
