export { capacitor, winding } from './dynamic'
export { linkHeat, meltingTime } from './fuse'
export { integrate, type Instant } from './integrate'
export { course, fallingAsleep, type Happening } from './transient'
