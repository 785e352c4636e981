import { Registry } from '../registry'
import type { FaultDefinition } from './definition'
import type { Fault } from './fault'
import { blown } from './kinds/blown'
import { burnt } from './kinds/burnt'
import { burntOut } from './kinds/burnt-out'
import { corroded } from './kinds/corroded'
import { discharged } from './kinds/discharged'
import { dragging } from './kinds/dragging'
import { drain } from './kinds/drain'
import { highResistance } from './kinds/high-resistance'
import { inputNotSeen } from './kinds/input-not-seen'
import { leaky } from './kinds/leaky'
import { missingFuse } from './kinds/missing-fuse'
import { missingPin } from './kinds/missing-pin'
import { notSleeping } from './kinds/not-sleeping'
import { open } from './kinds/open'
import { outputDead } from './kinds/output-dead'
import { reversed } from './kinds/reversed'
import { seized } from './kinds/seized'
import { shortBetween } from './kinds/short-between'
import { shortToGround } from './kinds/short-to-ground'
import { shortToSupply } from './kinds/short-to-supply'
import { shortedTurns } from './kinds/shorted-turns'
import { slack } from './kinds/slack'
import { sticking } from './kinds/sticking'
import { strandsLost } from './kinds/strands-lost'
import { stuckOpen } from './kinds/stuck-open'
import { sulphated } from './kinds/sulphated'
import { swapped } from './kinds/swapped'
import { weak } from './kinds/weak'
import { welded } from './kinds/welded'
import { wrongBulb } from './kinds/wrong-bulb'
import { wrongFuse } from './kinds/wrong-fuse'

/** Every fault there is. A new one is its file and its line here. */
const all = [
  open,
  highResistance,
  corroded,
  blown,
  burntOut,
  shortToGround,
  stuckOpen,
  discharged,
  seized,
  dragging,
  shortedTurns,
  leaky,
  shortToSupply,
  strandsLost,
  slack,
  missingPin,
  swapped,
  reversed,
  shortBetween,
  wrongFuse,
  missingFuse,
  sulphated,
  welded,
  sticking,
  burnt,
  weak,
  wrongBulb,
  drain,
  outputDead,
  inputNotSeen,
  notSleeping,
] as const

export type FaultKind = (typeof all)[number]['kind']
export const catalogue: readonly FaultDefinition<FaultKind>[] = all
export const faultKinds = all.map((definition) => definition.kind)

const registry = new Registry<FaultDefinition<FaultKind>>('fault', catalogue, ({ kind }) => kind)

/** @throws UnknownKey */
export const faultOfKind = (kind: string): FaultDefinition<FaultKind> => registry.get(kind)

/**
 * Severity of a fault, or the kind's default.
 * @returns in the unit of the kind's severity; 0 where the kind has none
 */
export const severityOf = (fault: Fault): number =>
  fault.severity ?? faultOfKind(fault.kind).severity?.preset ?? 0

/**
 * Ohms at a milliamp of a planted fault; zero where its kind has none.
 * @returns Ω
 */
export const coldOf = (fault: Fault): number => fault.cold ?? faultOfKind(fault.kind).cold?.preset ?? 0

const unstruck: ReadonlyMap<string, number> = new Map()

/** Severities of what strikes a part, by kind and by `segment.kind`: what the part's own equations ask. */
export function struckBy(faults: readonly Fault[], part: string): ReadonlyMap<string, number> {
  let struck: Map<string, number> | undefined
  for (const fault of faults) {
    if (fault.part !== part) continue
    struck ??= new Map()
    struck.set(fault.kind, severityOf(fault))
    struck.set(`${fault.segment}.${fault.kind}`, severityOf(fault))
  }
  return struck ?? unstruck
}
