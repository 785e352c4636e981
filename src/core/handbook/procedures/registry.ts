import { Registry } from '../../registry'
import type { Procedure } from '../procedure'
import { chargingLoss } from './charging-loss'
import { drainThree } from './drain-three'
import { fourDrops } from './four-drops'
import { groundsThree } from './grounds-three'
import { highResistance } from './high-resistance'
import { intermittent } from './intermittent'
import { modulePowers } from './module-powers'
import { noCrank } from './no-crank'
import { openByHalves } from './open-by-halves'
import { pointByPoint } from './point-by-point'
import { proof } from './proof'
import { relayFour } from './relay-four'
import { relaySocket } from './relay-socket'
import { sensorSupply } from './sensor-supply'
import { shortWithLamp } from './short-with-lamp'
import { substitute } from './substitute'
import { terminalCare } from './terminal-care'
import { wireRepair } from './wire-repair'

/** Every procedure there is, in the order in which they are listed. A new one is its file and its line here. */
export const procedures: readonly Procedure[] = [
  fourDrops,
  pointByPoint,
  openByHalves,
  highResistance,
  shortWithLamp,
  relaySocket,
  relayFour,
  noCrank,
  chargingLoss,
  drainThree,
  modulePowers,
  sensorSupply,
  groundsThree,
  substitute,
  intermittent,
  terminalCare,
  wireRepair,
  proof,
]

const registry = new Registry<Procedure>('procedure', procedures, ({ key }) => key)
/** The procedure of a key; undefined where there is none. */
export const findProcedure = (key: string): Procedure | undefined => registry.find(key)
