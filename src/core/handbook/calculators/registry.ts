import { Registry } from '../../registry'
import type { Calculator } from '../calculator'
import { crankingLoss } from './cranking-loss'
import { fuseAndWire } from './fuse-and-wire'
import { fuseDrop } from './fuse-drop'
import { fuseVolts } from './fuse-volts'
import { gauge } from './gauge'
import { lampAtVolts } from './lamp-at-volts'
import { loadFromWatts } from './load-from-watts'
import { loadTest } from './load-test'
import { meterBand } from './meter-band'
import { ohm } from './ohm'
import { parallel } from './parallel'
import { resistors } from './resistors'
import { restVolts } from './rest-volts'
import { sectionForDrop } from './section-for-drop'
import { sum } from './sum'
import { wireDrop } from './wire-drop'

/** Every calculator there is, in the order in which they are listed. A new one is its file and its line here. */
export const calculators: readonly Calculator[] = [
  ohm,
  loadFromWatts,
  sum,
  wireDrop,
  sectionForDrop,
  gauge,
  fuseAndWire,
  fuseVolts,
  fuseDrop,
  parallel,
  resistors,
  lampAtVolts,
  restVolts,
  loadTest,
  crankingLoss,
  meterBand,
]

const registry = new Registry<Calculator>('calculator', calculators, ({ key }) => key)
/** The calculator of a key; undefined where there is none. */
export const findCalculator = (key: string): Calculator | undefined => registry.find(key)
/** @throws UnknownKey */
export const calculatorOf = (key: string): Calculator => registry.get(key)
