import { cautions } from '../document/cautions'
import { instruments, settingsOf } from '../instruments'
import { calculators } from './calculators/registry'
import { procedures } from './procedures/registry'
import { lookUps } from './tables'

/** Keys of what to look up beside a part, by its kind: its procedure first. A module of any pins is a `module`. */
const byPart: Readonly<Record<string, readonly string[]>> = {
  battery: ['restVolts', 'loadTest', 'crankingLoss', 'drainThree', 'noCrank'],
  benchSupply: ['sum'],
  wire: ['wireDrop', 'sectionForDrop', 'gauge', 'wireRepair', 'wires'],
  fuse: ['fuseVolts', 'fuseDrop', 'fuseAndWire', 'shortWithLamp', 'fuses'],
  breaker: ['fuseAndWire', 'shortWithLamp'],
  fusibleLink: ['fuseAndWire', 'shortWithLamp'],
  relay: ['relaySocket', 'relayFour', 'relays'],
  connector: ['terminalCare', 'intermittent', 'pointByPoint'],
  multiConnector: ['terminalCare', 'intermittent'],
  splice: ['wireRepair', 'openByHalves'],
  stud: ['groundsThree', 'pointByPoint'],
  chassis: ['groundsThree'],
  strap: ['groundsThree', 'noCrank'],
  engineBlock: ['groundsThree', 'noCrank'],
  lamp: ['lampAtVolts', 'fourDrops', 'lamps'],
  twoFilamentLamp: ['lampAtVolts', 'fourDrops', 'lamps'],
  led: ['resistors', 'openByHalves'],
  resistor: ['resistors', 'parallel', 'ohm'],
  heater: ['loadFromWatts', 'fourDrops', 'ohm'],
  motor: ['fourDrops', 'substitute'],
  solenoid: ['ohm', 'fourDrops'],
  horn: ['fourDrops', 'openByHalves'],
  speaker: ['ohm', 'openByHalves'],
  starter: ['noCrank', 'crankingLoss'],
  alternator: ['chargingLoss', 'restVolts'],
  sensor2: ['sensorSupply', 'meterBand'],
  sensor3: ['sensorSupply', 'meterBand'],
  module: ['modulePowers', 'drainThree'],
  switch: ['openByHalves', 'pointByPoint'],
  pushButton: ['openByHalves', 'pointByPoint'],
  keySwitch: ['openByHalves', 'noCrank'],
  rotarySelector: ['openByHalves', 'pointByPoint'],
  inhibitor: ['noCrank'],
  clutchSwitch: ['noCrank', 'openByHalves'],
  diode: ['openByHalves'],
  curveDiode: ['ohm'],
  electronicLoad: ['loadFromWatts', 'fourDrops'],
}

export const entriesOfPart = (kind: string): readonly string[] =>
  byPart[kind] ?? byPart[/^(module|largeModule)/.test(kind) ? 'module' : ''] ?? []

/** Procedures that show how a rule of technique is kept. */
const byRule: Readonly<Record<string, readonly string[]>> = {
  dropWithoutLoad: ['fourDrops'],
  coldOhmsTrusted: ['highResistance'],
  ohmsLive: ['openByHalves'],
  zeroIsNotPerfect: ['fourDrops', 'openByHalves'],
  sourceReadAsGood: ['openByHalves'],
  badGroundReference: ['groundsThree'],
  lampTooLight: ['substitute', 'openByHalves'],
  feedOnly: ['fourDrops'],
  eyeletForStud: ['noCrank', 'groundsThree'],
  fuseTableStretched: ['drainThree'],
  clampNotZeroed: ['drainThree'],
  clampBlind: ['drainThree'],
  jawsRoundTwo: ['shortWithLamp'],
  replacedBeforeTested: ['fourDrops', 'proof'],
  worksNow: ['intermittent', 'proof'],
  loadsModule: ['modulePowers', 'sensorSupply'],
  crankedInGear: ['noCrank'],
  samePoint: ['pointByPoint'],
  sameTestAgain: ['pointByPoint'],
  unfusedJumper: ['chargingLoss', 'shortWithLamp'],
}
export const entriesOfRule = (rule: string): readonly string[] => byRule[rule] ?? []

/** Where a caution stands: the instruments beside which it is shown, the procedures at whose head it is. */
export function placesOf(caution: string): {
  readonly instruments: readonly string[]
  readonly procedures: readonly string[]
} {
  const near = instruments.filter((instrument) =>
    [
      undefined,
      ...instrument.settings.flatMap(({ key, options }) => options.map((o) => ({ [key]: o.key }))),
    ].some((said) => instrument.cautions(settingsOf(instrument, said)).includes(caution)),
  )
  return {
    instruments: near.map(({ title }) => title),
    procedures: procedures.filter((p) => p.cautions.includes(caution)).map(({ key }) => key),
  }
}

export const cautionKeys = Object.keys(cautions.english)

export const linkedParts = Object.keys(byPart)
export const linkedRules = Object.keys(byRule)

/** What a calculator, a table or a procedure is called, by its key. */
export const entryTitle = (key: string): string =>
  [...procedures, ...calculators, ...lookUps].find((one) => one.key === key)?.title ?? key
