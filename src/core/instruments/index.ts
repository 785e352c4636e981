export { readAmps, readVoltsInAmpsJack } from './ammeter'
export { ohmsAcross, solveWith } from './attach'
export { readWith, withConnected, type Connected } from './connected'
export { acClamp, clampAmps, dcClamp, readClamp } from './clamp'
export { connectJumper, connectLoad, testBattery, type BatteryTest } from './connect'
export { Expectations, expectedVolts, type Expected } from './expected'
export { ampsByFuse, type FuseAmps } from './fuse-table'
export { handPins, heldByPoints, heldSchema, holds, locate, type Held, type Hold, type Place } from './held'
export {
  devices,
  numberOf,
  settingsOf,
  type Device,
  type Interval,
  type Nature,
  type Reading,
  type Settings,
} from './instrument'
export { workshopMeter, type Display, type MeterType } from './meter'
export { leafletOf, leafletSchema, meterOf, meterOfLeaflet, meters, type Leaflet } from './meters'
export { readContinuity, readOhms } from './ohmmeter'
export {
  checkSettings,
  findInstrument,
  instrumentKey,
  instrumentKeys,
  instrumentOf,
  instruments,
  settingsSchema,
  type InstrumentKey,
  scaleWord,
} from './registry'
export { sharesOfVolts } from './shares'
export { readTestLamp, withTestLamp } from './test-lamp'
export { readVolts, voltsAccuracy } from './voltmeter'
